/** The first five minutes of a user, in the real browser; stopping a survey, and a large one. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import * as answers from '../../demo/answers.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import type { Application } from '../support/application.ts';
import { clickText, openPage, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { until, type Row } from '../support/command.ts';
import { openEmptyScene, type Scene } from '../support/scene.ts';

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;
let browser: Scene['browser'];
let downloads: Scene['downloads'];
let downloaded: Scene['downloaded'];
let standIn: StandIn;

beforeAll(async () => {
    standIn = await startStandIn(fernhollow());
    scene = await openEmptyScene();
    ({ app, page, watched, browser, downloads, downloaded } = scene);
});
afterAll(async () => {
    await scene?.close();
    await standIn?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
});

describe('a new user', () => {
    it('comes to the form for the first site', async () => {
        await page.goto(app.address);
        await waitForText(page, 'Which website is it, and where does it start?');
    });

    it.each(['/sites/new', '/door'])('loses nothing typed into %s before its code has come', async (path) => {
        const other = await openPage(browser, app.address);
        let free: () => void = () => undefined;
        const held = new Promise<void>((resolve) => (free = resolve));
        await other.page.setRequestInterception(true);
        other.page.on('request', (request) => {
            if (request.resourceType() === 'script') void held.then(() => request.continue());
            else void request.continue();
        });
        await other.page.goto(`${app.address}${path}`, { waitUntil: 'domcontentloaded' });
        const first = path === '/door' ? '#url' : '#start';
        await other.page.type(first, 'https://early.example/');
        if (path === '/sites/new') {
            await other.page.type('#name', 'Early');
            await other.page.click('input[name="robots"][value="record"]');
            await other.page.$$eval('details', (all) => all.forEach((details) => (details.open = true)));
            await other.page.click('input[name="trailingSlash"][value="add"]');
        }
        free();
        await other.page.waitForNetworkIdle();
        await other.page.waitForFunction(() => '__svelte' in window);
        const valueOf = (selector: string): Promise<string> =>
            other.page.$eval(selector, (field) => (field as HTMLInputElement).value);
        expect(await valueOf(first)).toBe('https://early.example/');
        if (path === '/sites/new') {
            expect(await valueOf('#name')).toBe('Early');
            expect(await valueOf('input[name="robots"]:checked')).toBe('record');
            expect(await valueOf('input[name="trailingSlash"]:checked')).toBe('add');
            expect(await other.page.$$eval('details', (all) => all.every(({ open }) => open))).toBe(true);
        }
        expect(other.troubles).toEqual([]);
        await other.page.close();
    });

    it('is told in place what is wrong, and loses nothing typed', async () => {
        await page.type('#start', 'not a web address');
        await page.$eval('#maxPages', (field) => ((field as HTMLInputElement).value = 'lots'));
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add and start the survey')]);
        await waitForText(page, '"not a web address" is no web address.');
        await waitForText(page, 'Page limit is a whole number from 1 to 1,000,000 (pages).');
        expect(await page.$eval('#start', (field) => (field as HTMLInputElement).value)).toBe('not a web address');
        // The browser notes every answer with status 400 in its console.
        watched.troubles.length = 0;
    });

    it('adds a site, surveys it and watches it being read', async () => {
        const fill = (selector: string, value: string): Promise<string> =>
            page.$eval(selector, (field, text) => ((field as HTMLInputElement).value = text), value);
        await fill('#start', answers.START);
        await fill('#maxPages', '1000');
        await fill(
            '#pins',
            ['www.fernhollow-tools.example', 'fernhollow-tools.example']
                .map((host) => `${host}=127.0.0.1:${standIn.port}`)
                .join('\n'),
        );
        await fill('#familyLimit', String(answers.FAMILY_LIMIT));
        await fill('#name', 'Fernhollow');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add and start the survey')]);
        await waitForText(page, 'is done: read the Brief', 60_000);
        expect(await textOf(page)).toMatch(/\d+ read of \d+ found/);
        // Both traps are told, and can be opened.
        for (const pattern of [answers.CALENDAR, answers.FILTERS]) await waitForText(page, pattern);
    });

    it('reads the Brief: a sentence with numbers that are sets', async () => {
        await clickText(page, 'read the Brief');
        await waitForText(
            page,
            `${answers.PAGES} pages were read; links reach ${answers.PAGES - 9} of them. 9 are orphans, and 4 of those are in the sitemap.`,
        );
        await clickText(page, '9');
        await waitForText(page, '9 URLs in this set.');
        await waitForText(page, '/guides/cutting-glass-bottles/');
    });

    it('chooses a depth in the sounding', async () => {
        await page.goto(`${app.address}/sites/1/1/brief`);
        await page.waitForSelector('.sounding .chart svg');
        await page.waitForSelector('a[aria-label^="3 pages at depth 9"]');
        await page.click('a[aria-label^="3 pages at depth 9"]');
        await waitForText(page, '3 URLs in this set.');
        for (const path of answers.NINE_CLICKS_DEEP) await waitForText(page, path);
    });

    it('looks a page up, reads its depth and opens its sheet', async () => {
        await page.keyboard.press('/');
        expect(await page.evaluate(() => document.activeElement?.id)).toBe('set-text');
        await page.goto(`${app.address}/sites/1/1/pages`);
        await page.type('#set-text', '"planing-end"');
        await page.keyboard.press('Enter');
        await waitForText(page, '1 URL in this set.');
        expect(
            await page.$$eval('[role=row] [role=cell]', (cells) => cells.map((cell) => cell.textContent?.trim())),
        ).toContain('9');
        await page.waitForSelector('.page-link');
        await page.click('.page-link');
        await waitForText(page, 'The way here 9 clicks');
        expect(await textOf(page, '.sheet')).toContain('Passes all seven gates: it may be indexed.');
    });

    it('follows the path: every step with the words clicked', async () => {
        const steps = await page.$$eval('.sheet .way', (items) =>
            items.map((item) => [
                item.querySelector('a span')?.getAttribute('title') ?? '',
                item.querySelector('.aside')?.textContent?.replace(/[“”]/g, '') ?? '',
            ]),
        );
        expect(steps).toEqual(
            answers.WAY_TO_PLANING.map(([path, words]) => [answers.START.slice(0, -1) + path, words]),
        );
        await page.click('.sheet ol li:nth-child(8) a');
        await waitForText(page, 'The way here 7 clicks');
        await page.keyboard.press('Escape');
        await page.waitForSelector('.sheet', { hidden: true });
    });

    it('steps through the set with the keys [ and ]', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=depth+is+9`);
        await page.click('[aria-rowindex="2"] .page-link');
        await waitForText(page, '1 of 4 in the set');
        const titles = [await textOf(page, '.sheet h2')];
        for (const place of [2, 3, 4]) {
            await page.keyboard.press(']');
            await waitForText(page, `${place} of 4 in the set`);
            titles.push(await textOf(page, '.sheet h2'));
        }
        expect(new Set(titles).size).toBe(4);
        await page.keyboard.press('[');
        await waitForText(page, '3 of 4 in the set');
        expect(await textOf(page, '.sheet h2')).toBe(titles[2]);
    });

    it('orders and chooses columns', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`);
        await clickText(page, 'Depth', 'button');
        await page.waitForSelector('[role=columnheader][aria-sort=descending]');
        expect(await page.$eval('[role=row][aria-rowindex="2"]', (row) => row.textContent)).toMatch(
            /\/guides\/|\/calendar\//,
        );
        await page.click('details.columns summary');
        const boxes = await page.$$('details.columns label');
        for (const box of boxes)
            if ((await box.evaluate((element) => element.textContent))?.trim() === 'Status') await box.click();
        await page.waitForFunction(() =>
            [...document.querySelectorAll('[role=columnheader]')].some((head) => head.textContent?.trim() === 'Status'),
        );
        expect(page.url()).toContain('columns=');
    });

    it('scrolls through all rows of the table', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`);
        await page.waitForSelector('[aria-rowindex="2"] .page-link');
        const seen = new Set<string>();
        const known = Number(/of ([\d,]+)/.exec(await textOf(page, '.set-bar'))?.[1]?.replace(',', ''));
        expect(known).toBeGreaterThan(answers.PAGES);
        for (let step = 0; step * 400 < known * 26; step++) {
            await page.$eval('.scroller', (element, by) => element.scrollTo(0, by), step * 400);
            // The rows of where it is now: until the table has heard that it was moved, those before stand there.
            await page.waitForFunction(() => {
                const { top, bottom } = document.querySelector('.scroller')!.getBoundingClientRect();
                const rows = [...document.querySelectorAll('.body [role=row]')];
                const edges = rows.map((row) => row.getBoundingClientRect());
                const end = document.querySelector('.body')!.getBoundingClientRect().bottom;
                return (
                    rows.every((row) => row.querySelector('.page-link')) &&
                    edges.some((row) => row.top <= top + row.height * 2) &&
                    edges.some((row) => row.bottom >= Math.min(bottom, end) - 1)
                );
            });
            for (const url of await page.$$eval('.page-link span[title]', (spans) =>
                spans.map((span) => span.getAttribute('title') ?? ''),
            ))
                seen.add(url);
        }
        expect(seen.size).toBe(known);
        expect((await page.$$('.body [role=row]')).length).toBeLessThan(100);
    });

    it('exports the current set with the chosen columns', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=orphan&columns=url,depth,evidence`);
        await page.click('details.take summary');
        await clickText(page, 'CSV', '.take a');
        const rows = parse(await downloaded(/pages\.csv$/), { columns: true }) as Row[];
        expect(rows.map((row) => row.url?.replace(answers.START, '/')).sort()).toEqual(
            [...answers.OLD_SECTION, ...answers.ORPHAN_GUIDES].sort(),
        );
        expect(Object.keys(rows[0] ?? {})).toEqual(['url', 'depth', 'evidence']);
    });

    it('finds each of 20 links in the source at the exported line', async () => {
        await page.goto(`${app.address}/sites/1/1/progress`);
        await clickText(page, 'Links, CSV');
        const rows = (parse(await downloaded(/links\.csv$/), { columns: true }) as Row[]).filter(
            (row) => row.kind === 'a' && row.line !== '',
        );
        const source = fernhollow();
        for (let pick = 0; pick < 20; pick++) {
            const row = rows[Math.floor((pick * rows.length) / 20)]!;
            const url = new URL(row.source!);
            const { body } = source({
                scheme: url.protocol === 'http:' ? 'http' : 'https',
                host: url.hostname,
                path: url.pathname + url.search,
            });
            // The tag opens on that line; in the demo an opening tag never goes over a line end.
            const line = String(body).split('\n')[Number(row.line) - 1]?.replaceAll('&amp;', '&');
            expect(line, `${row.source}:${row.line}`).toContain(`href="${row.href}"`);
        }
    });
});

describe('stopping a survey on screen', () => {
    it('keeps what is read and marks it partial', async () => {
        const slow = await startStandIn(({ path }) => {
            const n = Number(path.slice(1));
            return {
                status: /^\/\d*$/.test(path) ? 200 : 404,
                headers: { 'content-type': 'text/html' },
                body: `<title>${n}</title><a href="/${n * 2 + 1}">l</a><a href="/${n * 2 + 2}">r</a>`,
                delay: 30,
            };
        });
        await page.goto(`${app.address}/sites/new`);
        await page.type('#start', `http://127.0.0.1:${slow.port}/`);
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add and start the survey')]);
        await page.waitForFunction(
            () => Number(document.querySelector('[data-testid=read]')?.textContent?.replace(/,/g, '')) > 10,
            { timeout: 30_000 },
        );
        await clickText(page, 'Stop and keep what is read');
        await waitForText(page, 'was stopped; what was read is kept.', 30_000);
        await slow.close();
        expect(await page.$('.neatline.partial')).not.toBeNull();
        await page.goto(page.url().replace('progress', 'brief'));
        await waitForText(page, 'The survey is partial, so what links do not reach is not known.');
        await waitForText(page, 'Partial: it was stopped.');
    });

    it('tells a survey that cannot be made, and what to do', async () => {
        const closed = await startStandIn(({ path }) => ({
            status: 200,
            headers: { 'content-type': 'text/html' },
            body: path === '/robots.txt' ? 'User-agent: *\nDisallow: /' : 'x',
        }));
        await page.goto(`${app.address}/sites/new`);
        await page.type('#start', `http://127.0.0.1:${closed.port}/`);
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add and start the survey')]);
        await waitForText(page, 'could not be made.', 30_000);
        await waitForText(page, 'Disallow: /');
        await waitForText(page, 'Change the settings and try again');
        await closed.close();
    });
});

describe('a survey of 5,000 pages', () => {
    const PAGES = 5_000;

    it('is shown whole: scrolled to its end, ordered, and exported', async () => {
        const wide = await startStandIn(({ path }) => {
            const n = Number(/^\/p(\d+)$/.exec(path)?.[1] ?? NaN);
            const links = Array.from(
                { length: PAGES - 1 },
                (_, index) => `<a href="/p${index + 1}">${index + 1}</a>`,
            ).join('');
            const isPage = path === '/' || n < PAGES;
            return {
                status: isPage ? 200 : 404,
                headers: { 'content-type': 'text/html' },
                body:
                    path === '/' ? `<title>Start</title>${links}` : `<title>${'x'.repeat(n % 9)} ${PAGES - n}</title>`,
            };
        });
        await page.goto(`${app.address}/sites/new`);
        await page.type('#start', `http://127.0.0.1:${wide.port}/`);
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add and start the survey')]);
        await waitForText(page, 'is done: read the Brief', 90_000);
        await wide.close();

        const pages = page.url().replace('progress', 'pages');
        await page.goto(pages);
        await waitForText(page, '5,000 URLs in this set.');
        await page.$eval('.scroller', (element) => element.scrollTo(0, element.scrollHeight));
        await page.waitForFunction(
            (last) => document.querySelector(`[aria-rowindex="${last}"] .page-link`) !== null,
            {},
            PAGES + 1,
        );
        expect(await page.$eval(`[aria-rowindex="${PAGES + 1}"]`, (row) => row.textContent)).toContain('/p999');
        expect((await page.$$('.body [role=row]')).length).toBeLessThan(100);

        await page.goto(`${pages}?order=title.desc`);
        await page.waitForSelector('[aria-rowindex="2"] .page-link');
        expect(await page.$eval('[aria-rowindex="2"]', (row) => row.textContent)).toContain('xxxxxxxx 996');

        const before = readdirSync(downloads).length;
        await page.click('details.take summary');
        await clickText(page, 'CSV', '.take a');
        await until(
            'the export',
            () => readdirSync(downloads).filter((name) => !name.endsWith('.crdownload')).length > before,
            30_000,
        );
        const file = readdirSync(downloads).find((name) => name.startsWith('127.0.0.1'))!;
        expect((parse(readFileSync(join(downloads, file), 'utf8'), { columns: true }) as Row[]).length).toBe(PAGES);
    }, 180_000);
});
