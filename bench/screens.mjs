// First paint and longest task of the main views in the browser, from a running application:
//     ./edgemap demo        (in another terminal)
//     node bench/screens.mjs http://127.0.0.1:4300/sites/1/1
import puppeteer from 'puppeteer-core';

const [survey = 'http://127.0.0.1:4300/sites/1/1'] = process.argv.slice(2);
const VIEWS = ['brief', 'reach', 'weight', 'pages', 'pages?order=title.desc', 'links', 'pages?page=0'];
const RUNS = 3;

const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
console.log('view, first paint with content (ms), longest task of the main thread (ms): best of', RUNS);
for (const view of VIEWS) {
    const best = { paint: Infinity, task: Infinity };
    for (let run = 0; run < RUNS; run++) {
        const page = await browser.newPage();
        await page.setViewport({ width: 1280, height: 800 });
        await page.evaluateOnNewDocument(() => {
            globalThis.longest = 0;
            new PerformanceObserver((list) => {
                for (const { duration } of list.getEntries())
                    globalThis.longest = Math.max(globalThis.longest, duration);
            }).observe({ type: 'longtask', buffered: true });
        });
        await page.goto(`${survey}/${view}`, { waitUntil: 'networkidle2' });
        const { paint, task } = await page.evaluate(() => ({
            paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
            task: globalThis.longest,
        }));
        best.paint = Math.min(best.paint, paint);
        best.task = Math.min(best.task, task);
        await page.close();
    }
    console.log(`${view.padEnd(26)} ${best.paint.toFixed(0).padStart(6)} ${best.task.toFixed(0).padStart(6)}`);
}
await browser.close();
