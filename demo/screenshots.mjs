// Takes the pictures of docs/screenshots/ from a running demo:
//     ./edgemap demo        (in another terminal)
//     node demo/screenshots.mjs http://127.0.0.1:4300
import { mkdirSync } from 'node:fs';
import puppeteer from 'puppeteer-core';

const [address = 'http://127.0.0.1:4300'] = process.argv.slice(2);
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
mkdirSync(folder, { recursive: true });

const api = `${address}/api/v1/sites/1/surveys/1/pages`;
const pathOf = async (text) => {
    const answer = await fetch(`${api}?${new URLSearchParams({ set: JSON.stringify(text) })}`);
    return new URL((await answer.json()).rows[0].url).pathname;
};
const survey = `${address}/sites/1/1`;
const deep = await pathOf('planing-end');
const VIEWS = [
    ['brief', `${survey}/brief`, 'chart', 1280, 800],
    ['reach', `${survey}/reach`, 'chart', 1280, 800],
    ['weight', `${survey}/weight`, 'chart', 1280, 800],
    ['causes', `${survey}/causes`, 'night', 1280, 800],
    ['gates', `${survey}/gates`, 'chart', 1280, 800],
    ['robots', `${survey}/robots`, 'chart', 1280, 800],
    ['map', `${survey}/map`, 'chart', 1280, 800],
    ['map-branch', `${survey}/map?arrange=branch&page=${deep}`, 'chart', 1280, 800],
    ['around', `${survey}/around?of=/tools/measuring/vernier-caliper/&steps=2`, 'night', 1280, 800],
    ['journey', `${survey}/journey?trail=/+/workshops/+/guides/+/guides/?page%3D2+/guides/`, 'chart', 1280, 800],
    ['anchors', `${survey}/anchors?of=/visit/hours/`, 'chart', 1280, 800],
    ['proposals', `${survey}/proposals?of=/guides/oiling-a-whetstone/`, 'night', 1280, 800],
    ['sites', `${address}/sites`, 'chart', 1280, 800],
    [
        'pages',
        `${survey}/pages?set=choke+point&order=load.desc&columns=url,title,depth,gate,load,standing,incoming_pages,evidence`,
        'chart',
        1280,
        800,
    ],
    ['page-sheet', `${survey}/pages?order=depth.desc&page=${deep}`, 'chart', 1280, 800],
    ['survey', `${survey}/progress`, 'chart', 1280, 800],
    ['door', `${address}/sites/1/door`, 'chart', 1280, 800],
    ['sitemaps', `${survey}/sitemaps`, 'night', 1280, 800],
    ['orphans', `${survey}/orphans`, 'chart', 1280, 800],
];

const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
for (const [name, url, theme, width, height] of VIEWS) {
    const page = await browser.newPage();
    await page.setViewport({ width, height });
    await page.evaluateOnNewDocument((chosen) => localStorage.setItem('theme', chosen), theme);
    await page.goto(url, { waitUntil: 'networkidle2' });
    if (name.startsWith('map')) await page.waitForSelector('[data-drawn="true"]');
    if (name === 'journey') await page.waitForSelector('.shares tbody tr');
    await page.screenshot({ path: `${folder}${name}.png` });
    await page.close();
}
await browser.close();
