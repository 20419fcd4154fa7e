// How long a rule written into a robots.txt takes to be judged over all known URLs, in the browser, from a running
// application with a large survey:
//     ./edgemap bench large --folder DIR        (makes one of 100,000 pages)
//     ./edgemap start --data DIR                (in another terminal)
//     node bench/robots-edit.mjs http://127.0.0.1:4300/sites/1/1
import puppeteer from 'puppeteer-core';

const [survey = 'http://127.0.0.1:4300/sites/1/1'] = process.argv.slice(2);
const RULES = 24;

const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage();
await page.goto(`${survey}/robots`, { waitUntil: 'networkidle0', timeout: 120_000 });
await page.click('label.tick input');
await page.waitForSelector('textarea');

/** Writes a text and waits for the first number that is told of it. @returns milliseconds */
const edit = (text) =>
    page.evaluate(async (written) => {
        const area = document.querySelector('textarea');
        const told = () =>
            document.querySelector('[aria-label="What this edit would change"] .row b')?.textContent ?? '';
        const before = told();
        const began = performance.now();
        area.value = written;
        area.dispatchEvent(new Event('input', { bubbles: true }));
        for (;;) {
            await new Promise((done) => requestAnimationFrame(done));
            if (told() !== '' && told() !== before) return performance.now() - began;
            if (performance.now() - began > 60_000) throw new Error('nothing was told');
        }
    }, text);

const own = await page.$eval('textarea', (area) => area.value);
// The first edit brings the survey to the browser.
console.log(`first edit, the survey brought along: ${(await edit(`${own}Disallow: /section-1/\n`)).toFixed(0)} ms`);
const times = [];
let text = `${own}Disallow: /section-1/\n`;
for (let rule = 0; rule < RULES; rule++) {
    // A rule more each time, and so more URLs that close; the paths that are lost are looked for behind it.
    text += `Disallow: /section-${rule + 2}/\n`;
    times.push(await edit(text));
}
times.sort((a, b) => a - b);
const at = (share) => times[Math.min(times.length - 1, Math.floor(times.length * share))].toFixed(0);
console.log(`a rule more, told anew: median ${at(0.5)} ms, nine of ten within ${at(0.9)} ms, of ${RULES}`);
await browser.close();
