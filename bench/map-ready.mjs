// How long the map takes in the browser, from a running application:
//     node bench/map-ready.mjs http://127.0.0.1:4300/sites/1/1
// Ready is from asking for the view to its picture; what is arranged anew has the bytes already.
import { readdirSync, readFileSync } from 'node:fs';
import puppeteer from 'puppeteer-core';

const [survey = 'http://127.0.0.1:4300/sites/1/1'] = process.argv.slice(2);
const RUNS = 3;
const MEGABYTE = 1024 * 1024;
const drawn = '[data-drawn="true"]';

const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
const middle = (values) => values.sort((a, b) => a - b)[values.length >> 1];

async function ready(address) {
    const begun = performance.now();
    await page.goto(address, { waitUntil: 'commit' }).catch(() => page.goto(address));
    await page.waitForSelector(drawn, { timeout: 120_000 });
    return performance.now() - begun;
}
console.log(`first time: ${(await ready(`${survey}/map`)).toFixed(0)} ms`);
const times = [];
for (let run = 0; run < RUNS; run++) times.push(await ready(`${survey}/map`));
console.log(`again, its bytes known to be the same: ${middle(times).toFixed(0)} ms`);

/** From the press to the picture that is drawn at the end, without the way there. */
async function arranged(by) {
    const before = await page.$eval('.picture > canvas', (canvas) => canvas.toDataURL());
    const begun = performance.now();
    await page.evaluate(
        (wanted) => [...document.querySelectorAll('.part')].find((part) => part.textContent === wanted).click(),
        by,
    );
    await page.waitForFunction(
        (known) => document.querySelector('.picture > canvas').toDataURL() !== known,
        { polling: 'raf' },
        before,
    );
    return performance.now() - begun;
}
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
for (const by of ['branch', 'address', 'depth'])
    console.log(`arranged by ${by}: ${(await arranged(by)).toFixed(0)} ms`);

/** Frames while the frame is scrolled from end to end, drawn eight times as large. */
await page.goto(`${survey}/map?size=8`);
await page.waitForSelector(drawn, { timeout: 120_000 });
const gaps = await page.evaluate(
    () =>
        new Promise((resolve) => {
            const pan = document.querySelector('.pan');
            const told = [];
            let last = performance.now();
            const step = (now) => {
                told.push(now - last);
                last = now;
                pan.scrollTop += 40;
                if (told.length > 120 || pan.scrollTop + pan.clientHeight >= pan.scrollHeight - 1)
                    resolve(told.slice(2));
                else requestAnimationFrame(step);
            };
            requestAnimationFrame(step);
        }),
);
const late = gaps.filter((gap) => gap > 25).length;
console.log(
    `moved by 40 points a frame: ${middle([...gaps]).toFixed(1)} ms a frame, ${late} of ${gaps.length} above 25 ms`,
);
const { JSHeapUsedSize } = await page.metrics();
console.log(`heap of the page: ${(JSHeapUsedSize / MEGABYTE).toFixed(0)} MB`);

/** Memory of the largest process that shows pages: page and worker, canvases, and the program itself. */
function largest() {
    const sizes = readdirSync('/proc')
        .filter((pid) => /^\d+$/.test(pid))
        .flatMap((pid) => {
            try {
                if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) return [];
                return [Number(/^Rss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'))?.[1] ?? 0)];
            } catch {
                return [];
            }
        });
    return Math.max(0, ...sizes) / 1024;
}
const withMap = largest();
await page.goto(`${survey.replace(/\/sites\/.*$/, '')}/sites`, { waitUntil: 'networkidle2' });
console.log(`resident: ${withMap.toFixed(0)} MB with the map, ${largest().toFixed(0)} MB on a small view after it`);
await browser.close();
