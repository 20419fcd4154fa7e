/** How a survey was read: sources, templates, families, spot surveys, the door. */
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import * as answers from '../../demo/answers.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import { startStandIn } from '../../demo/stand-in.ts';
import type { Application } from '../support/application.ts';
import { clickText, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { openScene, type Scene } from '../support/scene.ts';

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;

beforeAll(async () => {
    scene = await openScene();
    ({ app, page, watched } = scene);
});
afterAll(async () => {
    await scene?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
});

describe('how it was read', () => {
    it('shows any link in its source, at its line', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=%22planing-end%22`);
        await page.waitForSelector('.page-link');
        await page.click('.page-link');
        await waitForText(page, 'Links to');
        await Promise.all([page.waitForNavigation(), page.click('.sheet-link .note a.set')]);
        await page.waitForSelector('.line.current');
        const line = await textOf(page, '.line.current');
        const number = Number(new URL(page.url()).searchParams.get('line'));
        const of = new URL(await page.$eval('h1 + p a', (link) => link.textContent ?? ''));
        const path = of.pathname + of.search;
        const { body } = fernhollow()({ scheme: 'https', host: 'www.fernhollow-tools.example', path });
        expect(line.replace(/^\d+ ·? ?/, '')).toBe(String(body).split('\n')[number - 1]?.trim());
    });

    it('lists templates with their pages, and the one with a broken link', async () => {
        await page.goto(`${app.address}/sites/1/1/templates`);
        await waitForText(page, 'holds links to errors, mended once each');
        const rows = await page.$$eval('tbody tr', (all) =>
            all.map((row) => [...row.querySelectorAll('td')].map((cell) => cell.innerText.trim()).join(' ')),
        );
        const row = rows.find((text) => text.includes('Repair evening'));
        // The workshops' menu: its list page and eight workshops, three blocks.
        expect(row).toMatch(/All workshops.*9 3 3 1/);
        await page.click('tbody tr a.set');
        await page.waitForSelector('section[aria-label="Template"]');
        await page.click('section[aria-label="Template"] a.plain-set');
        await page.waitForSelector('.sheet h2');
    });

    it('opens a family by hand and goes on, as a new revision', async () => {
        await page.goto(`${app.address}/sites/1/1/progress`);
        await waitForText(page, answers.CALENDAR);
        await page.evaluate((pattern) => {
            const row = [...document.querySelectorAll('tbody tr')].find((item) => item.textContent?.includes(pattern));
            row?.querySelector('button')?.click();
        }, answers.CALENDAR);
        await waitForText(page, 'is running', 30_000);
        await page.waitForFunction(
            (pattern) =>
                [...document.querySelectorAll('tbody tr')].some(
                    (row) => row.textContent?.includes(pattern) && row.textContent.includes('opened by hand'),
                ),
            { timeout: 30_000 },
            answers.CALENDAR,
        );
        await clickText(page, 'Pause', 'button');
        await waitForText(page, 'is paused; nothing is lost', 30_000);
        await page.evaluate((pattern) => {
            const row = [...document.querySelectorAll('tbody tr')].find((item) => item.textContent?.includes(pattern));
            row?.querySelector('button')?.click();
        }, answers.CALENDAR);
        await waitForText(page, 'is done: read the Brief', 60_000);
        await waitForText(page, 'revision 2');
    });

    it('reads a page again as a spot survey, and deletes it', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=%22planing-end%22`);
        await page.waitForSelector('.page-link');
        await page.click('.page-link');
        await waitForText(page, 'Read this page again');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Read this page again', 'button')]);
        await waitForText(page, 'Survey 2 is done', 60_000);
        await waitForText(page, 'A spot survey of survey 1');
        await clickText(page, 'Delete', 'button');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Delete it', 'button')]);
        await page.goto(`${app.address}/sites/1/2/progress`);
        await waitForText(page, 'There is no such survey');
        // The browser notes the answer 404 in its console.
        watched.troubles.length = 0;
    });

    it('previews what URL rules would merge, before they are switched on', async () => {
        await page.goto(`${app.address}/sites/1/new-survey`);
        await page.click('form details summary');
        await page.type('#dropParameters', 'page');
        await clickText(page, 'What would these rules merge?', 'button');
        // Seven more pages of the guides, four more of the journal.
        await waitForText(page, 'Leaving out parameters 11 11');
    });
});

describe('the door, before and after', () => {
    it('was knocked at before the survey began, and tells what stood open', async () => {
        await page.goto(`${app.address}/sites/1/door`);
        await waitForText(page, 'The door is open: https://www.fernhollow-tools.example/ answers 200');
        await waitForText(page, '4 ways to write the host');
        // March's sitemaps have their faults, told in the order they were tried.
        await waitForText(page, 'asked for https://www.fernhollow-tools.example/sitemap-2019.xml: 404');
        await waitForText(page, '1 with another scheme');
    });

    it('knocks again, and lays both side by side', async () => {
        await Promise.all([page.waitForNavigation({ timeout: 60_000 }), clickText(page, 'Knock again', 'button')]);
        await waitForText(page, 'Nothing has changed since.');
        expect(await page.$$eval('.knocks li', (items) => items.length)).toBe(2);
    });

    it('knocks at an address that was typed in, and says what is wrong with one that is none', async () => {
        const shut = await startStandIn(({ path }) =>
            path === '/robots.txt'
                ? { status: 200, headers: { 'content-type': 'text/plain' }, body: 'User-agent: *\nDisallow: /\n' }
                : { status: 200, headers: { 'content-type': 'text/html' }, body: '<title>x</title><a href="/a">a</a>' },
        );
        await page.goto(`${app.address}/door`);
        await page.type('#url', 'no address');
        await clickText(page, 'Knock', 'button');
        await waitForText(page, '"no address" is no web address.');
        // The browser notes every answer with status 400 in its console.
        watched.troubles.length = 0;
        await page.$eval('#url', (field) => ((field as HTMLInputElement).value = ''));
        await page.type('#url', `http://127.0.0.1:${shut.port}/`);
        await Promise.all([page.waitForNavigation({ timeout: 60_000 }), clickText(page, 'Knock', 'button')]);
        await waitForText(page, 'The door is shut by robots.txt: “Disallow: /” closes the whole site for EdgeMap.');
        await waitForText(page, 'What would open it?');
        await shut.close();
    });
});
