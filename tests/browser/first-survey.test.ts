/** The first five minutes of a user, in the real browser. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { SaxesParser } from 'saxes';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import * as answers from '../../demo/answers.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import { startApplication, type Application } from '../support/application.ts';
import { clickText, openBrowser, openPage, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { until, type Row } from '../support/command.ts';

let app: Application;
let standIn: StandIn;
let browser: Browser;
let watched: WatchedPage;
let page: Page;
const downloads = mkdtempSync(join(tmpdir(), 'edgemap-downloads-'));

beforeAll(async () => {
    standIn = await startStandIn(fernhollow());
    app = await startApplication();
    browser = await openBrowser();
    watched = await openPage(browser, app.address);
    ({ page } = watched);
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
});
afterAll(async () => {
    await browser?.close();
    await app?.close();
    await standIn?.close();
    rmSync(downloads, { recursive: true, force: true });
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
});

async function downloaded(name: RegExp): Promise<string> {
    const file = await until(
        `the download ${name}`,
        () => readdirSync(downloads).find((item) => name.test(item) && !item.endsWith('.crdownload')),
        30_000,
    );
    return readFileSync(join(downloads, file), 'utf8');
}

/** Holds every number of the view that is a link to a set against the size of that set; @returns how many there are. */
async function numbersAreSets(): Promise<number> {
    const links = await page.$$eval('.view a[href*="/pages?"]', (found) =>
        found
            .map((link) => ({ href: link.getAttribute('href')!, text: link.textContent!.trim() }))
            .filter(({ text }) => /^[\d,]+$/.test(text)),
    );
    for (const { href, text } of links) {
        const path = href.replace(/\/sites\/(\d+)\/([\d.]+)\/pages\?/, '/api/v1/sites/$1/surveys/$2/pages?');
        const total = await page.evaluate(
            (url) =>
                fetch(`${url}&count=1`)
                    .then((answer) => answer.json())
                    .then((read: { total: number }) => read.total),
            path,
        );
        expect(total, decodeURIComponent(href)).toBe(Number(text.replaceAll(',', '')));
    }
    return links.length;
}

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
            await page.waitForFunction(() =>
                [...document.querySelectorAll('.body [role=row]')].every((row) => row.querySelector('.page-link')),
            );
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

describe('the areas', () => {
    const there = (part: string): Promise<unknown> =>
        page.goto(`${app.address}/sites/1/1/${part}`, { waitUntil: 'networkidle2' });

    it('Brief: jobs with a set each, and no baseline where there is none', async () => {
        await there('brief');
        await waitForText(page, 'There is no earlier whole survey of this site to compare with.');
        expect(await numbersAreSets()).toBeGreaterThan(20);
        const jobs = await page.$$eval('.jobs tbody tr', (rows) =>
            rows.map((row) => row.textContent!.replace(/\s+/g, ' ')),
        );
        // The old section is cut off, all of it, and so are the guides nobody links to.
        expect(jobs.some((job) => job.includes('Link to what is cut off in /2016/'))).toBe(true);
        expect(jobs.some((job) => job.includes('Link to what is cut off in /guides/'))).toBe(true);
        expect(jobs.length).toBeLessThanOrEqual(10);
    });

    it('Reach: every number is a set, and depths are chosen by dragging over them', async () => {
        await there('reach');
        await waitForText(page, '9 pages cannot be reached by links; 4 of them are in the sitemap.');
        expect(await numbersAreSets()).toBeGreaterThan(30);
        // Why a family is closed is told in words, not by the name of the reason.
        expect(await textOf(page, 'section[aria-label="Closed families"]')).toContain('counts on without end');
        const box = await (await page.waitForSelector('.drag'))!.boundingBox();
        const row = 21;
        await page.mouse.move(box!.x + 40, box!.y + row * 8 + 10);
        await page.mouse.down();
        await page.mouse.move(box!.x + 40, box!.y + row * 9 + 10, { steps: 3 });
        await page.mouse.up();
        await page.waitForFunction(
            () => new URL(location.href).searchParams.get('set') === 'page and depth from 8 to 9',
        );
        // The set stays with the view: of the pages at depth 9, all are in it, of those at 7 none.
        await waitForText(page, '3 of 3');
    });

    it('Reach: depths are chosen with the keyboard as well', async () => {
        await there('reach');
        await page.focus('[aria-label="Depth 8: from here, or to here"]');
        await page.keyboard.press('Enter');
        await page.focus('[aria-label="Depth 9: from here, or to here"]');
        await page.keyboard.press('Enter');
        await page.waitForFunction(
            () => new URL(location.href).searchParams.get('set') === 'page and depth from 8 to 9',
        );
    });

    it('Reach: a goal is kept, and what lies beyond it is a set', async () => {
        await there('reach');
        await waitForText(page, 'Without a goal nothing is called too deep.');
        await page.type('input[name="all"]', '4');
        await clickText(page, 'Keep goals', 'button');
        await waitForText(page, 'lie deeper than 4 clicks');
        await numbersAreSets();
        await page.$eval('input[name="all"]', (field) => ((field as HTMLInputElement).value = ''));
        await clickText(page, 'Keep goals', 'button');
        await waitForText(page, 'Without a goal nothing is called too deep.');
    });

    it('Reach: an intended structure is kept, laid beside the surveyed one, and refused where it cannot be read', async () => {
        await there('structure');
        await waitForText(page, 'Nothing says yet how the site is meant to be built.');
        const write = (text: string): Promise<void> =>
            page.$eval(
                'textarea[name=outline]',
                (field, value) => void ((field as HTMLTextAreaElement).value = value),
                text,
            );
        await write('/\n      /guides/');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Keep this structure', 'button')]);
        await waitForText(page, 'Line 2 is indented by more than one step below the line before it.');
        expect(await page.$eval('textarea[name=outline]', (field) => (field as HTMLTextAreaElement).value)).toBe(
            '/\n      /guides/',
        );
        watched.troubles.length = 0;
        await write(
            'page,parent,priority\n/,,1\n/guides/,/,\n/guides/planing-end-grain/,/guides/,2\n/nowhere/,/,\n/guides/cutting-glass-bottles/,/guides/,',
        );
        await Promise.all([page.waitForNavigation(), clickText(page, 'Keep this structure', 'button')]);
        await waitForText(page, '3 of 5 intended pages part from the surveyed site.');
        const rows = await page.$$eval('section[aria-label="Intended and surveyed"] tbody tr', (found) =>
            found.map((row) => [row.cells[0]!.textContent!.trim(), row.cells[4]!.textContent!.trim()]),
        );
        expect(rows).toEqual([
            ['/', 'as intended'],
            ['/guides/', 'as intended'],
            ['/guides/planing-end-grain/', 'its parent does not link there'],
            ['/nowhere/', 'no page found'],
            ['/guides/cutting-glass-bottles/', 'not reached by links'],
        ]);
        // Its pages are sets, and its priorities count.
        await clickText(page, '1 not reached by links', 'a');
        await waitForText(page, 'as a set of pages: 1');
        expect(await numbersAreSets()).toBe(1);
        const important = await fetch(`${app.address}/api/v1/sites/1/surveys/1/pages?set=priority+%3D+2&count=1`);
        expect(await important.json()).toMatchObject({ total: 1 });
        await write('');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Keep this structure', 'button')]);
        await waitForText(page, 'Nothing says yet how the site is meant to be built.');
    });

    it('Orphans: every number is a set, by section too', async () => {
        await there('orphans');
        await waitForText(page, 'cannot be reached by links');
        await waitForText(page, 'By section');
        expect(await numbersAreSets()).toBeGreaterThan(6);
    });

    it('the other views: every number that is a set has its size', async () => {
        for (const view of ['brief', 'sitemaps', 'templates', 'completeness', 'progress', 'hosts']) {
            await there(view);
            await numbersAreSets();
        }
    });

    it('Weight: every number is a set; a set is given a priority, and misfits are told', async () => {
        await there('weight');
        await waitForText(page, 'nothing says yet what matters');
        expect(await numbersAreSets()).toBeGreaterThan(5);
        await there(`weight?${new URLSearchParams({ set: 'section is guides' })}`);
        await waitForText(page, 'The current set holds');
        await page.click('[aria-label="Give the current set priority 1"]');
        await waitForText(page, 'that matter');
        await numbersAreSets();
        await page.click('[aria-label="Take away the priority of section is guides"]');
        await waitForText(page, 'nothing says yet what matters');
    });

    it('Weight: a section is given a priority, and its pages have it', async () => {
        await page.goto(`${app.address}/sites/1/1/weight`);
        const select = 'select[aria-label="Priority of the section guides"]';
        const size = async (line: string): Promise<number> => {
            const asked = new URLSearchParams({ set: line, count: '1' });
            const answer = await fetch(`${app.address}/api/v1/sites/1/surveys/1/pages?${asked}`);
            return z.object({ total: z.number() }).parse(await answer.json()).total;
        };
        await page.select(select, '2');
        await until('the priority', async () => (await size('priority = 2 and section is guides')) > 0, 20_000);
        expect(await size('priority = 2')).toBe(await size('section is guides'));
        await page.reload();
        expect(await page.$eval(select, (field) => (field as HTMLSelectElement).value)).toBe('2');
        await page.select(select, '');
        await until('no priority', async () => (await size('priority = 2')) === 0, 20_000);
    });

    it('any chart can be a table, a picture and CSV', async () => {
        await there('weight');
        await page.click('[aria-label="How uneven: table, picture, CSV"]');
        await clickText(page, 'As a table', 'section[aria-label="How uneven"] button');
        await waitForText(page, 'share of standing, all links');
        await page.click('[aria-label="Sections: table, picture, CSV"]');
        await clickText(page, 'Save as CSV', 'section[aria-label="Sections"] button');
        const rows = parse(await downloaded(/^sections\.csv$/), { columns: true }) as Record<string, string>[];
        const shares = rows.map((row) => Number(row['share of standing']));
        expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6);
        await page.click('[aria-label="From section to section: table, picture, CSV"]');
        await clickText(page, 'Save as SVG', 'section[aria-label="From section to section"] button');
        const svg = await downloaded(/^from-section-to-section\.svg$/);
        // It stands alone: no style of the page is needed, and it is well formed.
        expect(svg).not.toContain('var(--');
        const parser = new SaxesParser();
        const texts: string[] = [];
        parser.on('text', (text) => texts.push(text));
        parser.on('error', (error) => {
            throw error;
        });
        parser.write(svg).close();
        expect(texts.join(' ')).toContain('workshops');
        await page.click('[aria-label="Sections: table, picture, CSV"]');
        await clickText(page, 'Save as PNG', 'section[aria-label="Sections"] button');
        const name = await until(
            'the picture',
            () => readdirSync(downloads).find((file) => file === 'sections.png'),
            30_000,
        );
        expect([...readFileSync(join(downloads, name)).subarray(1, 4)]).toEqual([...Buffer.from('PNG')]);
    });

    it('finds pages, areas and actions in one box', async () => {
        await there('brief');
        await page.keyboard.down('Control');
        await page.keyboard.press('k');
        await page.keyboard.up('Control');
        await page.waitForSelector('dialog.find[open]');
        await page.keyboard.type('planing-end');
        await page.waitForFunction(() =>
            document.querySelector('#found-0')?.textContent?.includes('/guides/planing-end-grain/'),
        );
        await page.keyboard.press('Enter');
        await waitForText(page, 'The way here 9 clicks');
        await page.keyboard.down('Control');
        await page.keyboard.press('k');
        await page.keyboard.up('Control');
        await page.keyboard.type('where does weight');
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => location.pathname.endsWith('/weight'));
        await page.keyboard.press('?');
        await page.waitForSelector('dialog.keys[open]');
        await waitForText(page, 'write in the line of the set');
        await page.keyboard.press('Escape');
    });

    it('a note on a page stays until it is taken away', async () => {
        await there('brief?page=/tools/');
        await page.type('[aria-label="Write a note about this page"]', 'Ask the editors <b>first</b>');
        await clickText(page, 'Note it', '.sheet button');
        await page.waitForSelector('[aria-label^="Take away the note"]');
        await page.reload({ waitUntil: 'networkidle2' });
        await waitForText(page, 'Ask the editors <b>first</b>');
        // From anywhere it is found by its words, and leads to its page.
        await there('weight');
        await page.keyboard.down('Control');
        await page.keyboard.press('k');
        await page.keyboard.up('Control');
        await page.waitForSelector('dialog.find[open] input');
        await page.keyboard.type('editors first');
        await page.waitForFunction(() =>
            document.querySelector('#found [aria-selected=true]')?.textContent?.includes('Ask the editors'),
        );
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => new URL(location.href).searchParams.get('page') === '/tools/');
        await waitForText(page, 'Ask the editors <b>first</b>');
        await page.click('[aria-label^="Take away the note"]');
        await page.waitForFunction(() => !document.body.innerText.includes('Ask the editors'));
    });

    it('a note on a section and on the whole site stands on the Brief', async () => {
        await there(`brief?${new URLSearchParams({ set: 'section is guides' })}`);
        await page.type('[aria-label="Write a note about the section guides"]', 'Rewrite by spring');
        await clickText(page, 'Note it', 'button');
        await page.waitForSelector('[aria-label^="Take away the note"]');
        await there('brief');
        await waitForText(page, 'Rewrite by spring');
        expect(await page.$eval('.view .remark-line a', (link) => link.textContent)).toBe('section is guides');
        await page.waitForSelector('[aria-label="Write a note about the whole site"]');
        await page.click('[aria-label^="Take away the note"]');
        await page.waitForFunction(() => !document.body.innerText.includes('Rewrite by spring'));
    });

    it('the page sheet is as wide as its edge is dragged, or moved with the keys, and stays so', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?page=/`);
        const width = (): Promise<number> =>
            page.$eval('.sheet', (sheet) => Math.round(sheet.getBoundingClientRect().width));
        expect(await width()).toBe(420);
        const edge = (await (await page.$('[role=separator]'))!.boundingBox())!;
        await page.mouse.move(edge.x + edge.width / 2, 400);
        await page.mouse.down();
        await page.mouse.move(1280 - 540, 400, { steps: 4 });
        await page.mouse.up();
        expect(await width()).toBe(540);
        await page.focus('[role=separator]');
        await page.keyboard.press('ArrowRight');
        expect(await width()).toBe(520);
        await page.reload();
        await page.waitForFunction(
            () => Math.round(document.querySelector('.sheet')!.getBoundingClientRect().width) === 520,
        );
        await page.focus('[role=separator]');
        await page.keyboard.press('End');
        expect(await width()).toBe(300);
        await page.evaluate(() => localStorage.removeItem('edgemap.sheet'));
    });

    it('the rail folds to icons where there is little room, and unfolds over the view', async () => {
        await page.setViewport({ width: 1000, height: 800 });
        await page.goto(`${app.address}/sites/1/1/reach`);
        const width = (): Promise<number> =>
            page.$eval('.rail', (rail) => Math.round(rail.getBoundingClientRect().width));
        expect(await width()).toBe(44);
        // What is not seen still names each link.
        const names = await page.$$eval('nav[aria-label="Areas"] a', (links) => links.map((link) => link.textContent));
        expect(names.some((name) => name?.includes('Weight'))).toBe(true);
        await page.click('.rail-fold');
        expect(await width()).toBe(190);
        await clickText(page, 'Weight where does weight go?', 'nav a');
        await page.waitForFunction(() => location.pathname.endsWith('/weight'));
        expect(await width()).toBe(44);
        await page.setViewport({ width: 1280, height: 800 });
    });

    it('two pages are compared side by side', async () => {
        await there('brief?page=/tools/');
        await clickText(page, 'Pin', '.sheet a');
        await page.waitForFunction(() => new URL(location.href).searchParams.get('pin') === '/tools/');
        await there('brief?page=/guides/&pin=/tools/');
        expect(
            await page.$$eval('.sheet', (sheets) => sheets.map((sheet) => sheet.getAttribute('aria-label'))),
        ).toEqual(['Pinned page sheet', 'Page sheet']);
        await page.click('[aria-label="Close the pinned sheet"]');
        await page.waitForFunction(() => document.querySelectorAll('.sheet').length === 1);
    });
});

describe('sets', () => {
    const api = '/api/v1/sites/1/surveys/1';
    const show = async (line: string): Promise<void> => {
        await page.click('#set-text', { count: 3 });
        await page.keyboard.press('Backspace');
        await page.type('#set-text', line);
        await page.keyboard.press('Enter');
    };
    const sizeIn = async (): Promise<number> =>
        Number(/([\d,]+) of/.exec(await textOf(page, '.set-bar [role=status]'))?.[1]?.replace(',', ''));
    const total = (path: string): Promise<number> =>
        page.evaluate(
            async (from) => ((await (await fetch(from)).json()) as { total: number }).total,
            `${api}/${path}`,
        );

    /** Waits until the first option shown is this one. */
    const offered = (wanted: string) =>
        page.waitForFunction(
            (name) => {
                const option = document.querySelector('#set-options:not([hidden]) [role=option]');
                return option?.firstElementChild?.textContent === name;
            },
            {},
            wanted,
        );

    it('completes names and values, by the keyboard alone', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.keyboard.press('/');
        await page.keyboard.type('sec');
        await offered('section');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        await page.keyboard.type('is gui');
        await offered('guides');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Tab');
        await page.keyboard.press('Escape');
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => location.search.includes('set=section+is+guides'));
        await waitForText(page, 'URLs in this set.');
        expect(await sizeIn()).toBe(await total('pages?set=section+is+guides'));
        expect(await sizeIn()).toBeGreaterThan(20);
    });

    it('takes the option chosen for all that was typed, when the answer for it is still under way', async () => {
        // Answers for one letter come at once; those for more do not come at all.
        const slow = await page.evaluateOnNewDocument(() => {
            const plain = window.fetch;
            window.fetch = (input, init) =>
                /complete\?.*text=\w{2}/.test(String(input)) ? new Promise<Response>(() => {}) : plain(input, init);
        });
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.keyboard.press('/');
        await page.keyboard.type('s');
        await page.waitForSelector('#set-options:not([hidden]) [role=option] + [role=option]');
        await page.keyboard.type('ec');
        await offered('section');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        expect(await page.$eval('#set-text', (input) => (input as HTMLInputElement).value)).toBe('section ');
        await page.removeScriptToEvaluateOnNewDocument(slow.identifier);
    });

    it('marks what it cannot read, says what was expected, and shows nothing else', async () => {
        const before = page.url();
        await show('depht > 3');
        await waitForText(page, 'Is it "depth"?');
        expect(await textOf(page, '.mirror mark')).toBe('depht');
        expect(page.url()).toBe(before);
        await page.goto(`${app.address}/sites/1/1/pages?set=depth+%3E`);
        await waitForText(page, 'Here a number is expected.');
    });

    it('tells the size of a line before it is shown, worked out in the browser on the packed survey', async () => {
        const lines = ['depth > 2', 'title has "saw"', 'links to (section is guides) with anchor "here"', 'orphan'];
        for (const line of lines) {
            const answer = await fetch(
                `${app.address}/api/v1/sites/1/surveys/1/pages?count=1&${new URLSearchParams({ set: line })}`,
            );
            const { total } = z.object({ total: z.number() }).parse(await answer.json());
            await page.goto(`${app.address}/sites/1/1/pages`);
            await page.click('#set-text');
            const asked: string[] = [];
            const note = (request: { url(): string }): void => void asked.push(new URL(request.url()).pathname);
            page.on('request', note);
            await page.type('#set-text', line);
            await page.waitForFunction(
                (wanted) =>
                    (document.querySelector('.set-bar [role=status]') as HTMLElement).innerText.includes(wanted),
                {},
                `would be ${total.toLocaleString('en')} of`,
            );
            page.off('request', note);
            // No set was asked of the server: it gave what may stand in the line, and the bytes of the survey.
            expect(asked.filter((path) => !/\/(complete|packed\/\w+)$|\.js$/.test(path))).toEqual([]);
            expect(page.url()).not.toContain('set=');
        }
        // What the site says of its pages is not in those bytes: nothing is told, and nothing wrong.
        const counted = await page.evaluateOnNewDocument(() => {
            const Plain = window.Worker;
            window.Worker = class extends Plain {
                constructor(script: string | URL, options?: WorkerOptions) {
                    super(script, options);
                    this.addEventListener('message', () => (document.documentElement.dataset.answers = 'some'));
                }
            };
        });
        await page.goto(`${app.address}/sites/1/1/pages`);
        await page.type('#set-text', 'priority = 1');
        // The worker has answered, and had nothing to tell.
        await page.waitForFunction(() => document.documentElement.dataset.answers === 'some');
        await page.removeScriptToEvaluateOnNewDocument(counted.identifier);
        expect(await textOf(page, '.set-bar [role=status]')).not.toContain('would be');
    });

    it('inverts a set, and goes back and forward through those shown', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        const all = await sizeIn();
        await show('links to (error)');
        await page.waitForFunction(
            (whole) => !document.querySelector('.set-bar [role=status]')?.textContent?.startsWith(whole),
            {},
            all.toLocaleString('en'),
        );
        await page.waitForFunction(() => location.search.includes('links+to'));
        const some = await sizeIn();
        expect(some).toBeGreaterThan(0);
        await clickText(page, 'Invert', '.set-bar a');
        await page.waitForFunction(() => location.search.includes('not+links'));
        await page.waitForFunction(
            (rest) => document.querySelector('.headline')?.textContent?.includes(rest),
            {},
            `${(all - some).toLocaleString('en')} URLs`,
        );
        await page.goBack();
        await page.waitForFunction(
            () => document.querySelector<HTMLInputElement>('#set-text')?.value === 'links to (error)',
        );
        await page.goForward();
        await page.waitForFunction(() =>
            document.querySelector<HTMLInputElement>('#set-text')?.value.startsWith('not '),
        );
    });

    it('keeps a set under a name, shows it by that, and forgets it', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=orphan`, { waitUntil: 'networkidle2' });
        await page.click('details.sets summary');
        await page.type('[aria-label="Name of the current set"]', 'My "lost" ones');
        await clickText(page, 'Save', '.sets button');
        await waitForText(page, 'My "lost" ones');
        await page.goto(`${app.address}/sites/1/1/hosts`, { waitUntil: 'networkidle2' });
        await page.click('details.sets summary');
        await clickText(page, 'My "lost" ones', '.sets a');
        await waitForText(page, `${answers.OLD_SECTION.length + answers.ORPHAN_GUIDES.length} URLs in this set.`);
        await page.click('details.sets summary');
        await page.click('[aria-label^="Forget the set"]');
        await waitForText(page, 'No set is saved yet.');
    });

    it('shows the links from and to a set, with their lines', async () => {
        await page.goto(`${app.address}/sites/1/1/links?set=orphan&side=to`, { waitUntil: 'networkidle2' });
        const links = await total('links?set=orphan&side=to');
        await waitForText(page, `${links} links to`);
        expect(await page.$$eval('.body [role=row]', (rows) => rows.length)).toBeGreaterThan(5);
        const [first] = await page.$$eval('.body [role=row]', (rows) =>
            rows.map((row) => [...row.querySelectorAll('[role=cell]')].map((cell) => cell.textContent?.trim() ?? '')),
        );
        // Region and line of the first link: it stands on that line of the page's source.
        const path = answers.OLD_SECTION.toSorted()[0]!;
        const { body } = fernhollow()({ scheme: 'https', host: 'www.fernhollow-tools.example', path });
        expect(String(body).split('\n')[Number(first?.[5]) - 1]).toContain('<a href');
        await page.select('.choices select', 'from');
        await waitForText(page, 'links from');
        await clickText(page, 'To', '.head button');
        await page.waitForFunction(() => location.search.includes('order=target'));
        const csv = await page.evaluate(async () =>
            (await fetch(document.querySelector<HTMLAnchorElement>('.take a')!.href)).text(),
        );
        const rows = parse(csv, { columns: true }) as Row[];
        expect(rows).toHaveLength(await total('links?set=orphan&side=from'));
    });

    it('takes a priority, and knows its pages by it', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=%22planing-end%22`, { waitUntil: 'networkidle2' });
        await page.click('.page-link');
        await page.waitForSelector('[id^="sheet-priority"]');
        await page.select('[id^="sheet-priority"]', '1');
        await page.waitForFunction(
            async () =>
                (
                    (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=priority+%3D+1')).json()) as {
                        total: number;
                    }
                ).total === 1,
        );
        await page.select('[id^="sheet-priority"]', '');
        await page.waitForFunction(
            async () =>
                (
                    (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=priority+%3D+1')).json()) as {
                        total: number;
                    }
                ).total === 0,
        );
    });

    it('gives the pages and links of a set as a graph', async () => {
        const text = await page.evaluate(async () =>
            (await fetch('/api/v1/sites/1/surveys/1/graph.graphml?set=orphan')).text(),
        );
        const graph = new XmlTags(text);
        expect(graph.count('node')).toBe(answers.OLD_SECTION.length + answers.ORPHAN_GUIDES.length);
        // Each page of the old section links to the others, and nothing else is linked among the orphans.
        expect(graph.count('edge')).toBe(answers.OLD_SECTION.length * (answers.OLD_SECTION.length - 1));
    });
});

/** Elements of an XML document that must be well-formed. */
class XmlTags {
    readonly #tags: string[] = [];

    constructor(text: string) {
        const parser = new SaxesParser({ xmlns: true });
        parser.on('opentag', (tag) => this.#tags.push(tag.name));
        parser.on('error', (error) => {
            throw error;
        });
        parser.write(text).close();
    }

    count(name: string): number {
        return this.#tags.filter((tag) => tag === name).length;
    }
}

describe('how it was read', () => {
    it('shows any link in its source, at its line', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=%22planing-end%22`);
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

describe('evidence from elsewhere', () => {
    const folder = mkdtempSync(join(tmpdir(), 'edgemap-lists-'));
    afterAll(() => rmSync(folder, { recursive: true, force: true }));

    it('adds a table after its columns were looked at, as a new revision', async () => {
        const path = join(folder, 'visits.csv');
        writeFileSync(
            path,
            'Seite;Aufrufe\n/guides/oiling-a-whetstone/;12\n/visit/;7\nhttps://elsewhere.example/;1\nnot one;3\n',
        );
        await page.goto(`${app.address}/sites/1/1/evidence`);
        await waitForText(page, 'This survey knows only what links, sitemaps and redirects told it.');
        await page.select('#evidence-kind', 'visits');
        const input = (await page.$('#evidence-file'))!.asElement() as ElementHandle<HTMLInputElement>;
        await input.uploadFile(path);
        await waitForText(page, 'parted by semicolon, the first row names the columns');
        expect(await page.$eval('#role-0', (field) => (field as HTMLSelectElement).value)).toBe('url');
        expect(await page.$eval('#role-1', (field) => (field as HTMLSelectElement).value)).toBe('number');
        await clickText(page, 'Add visits.csv', 'button');
        await waitForText(page, '1 list from elsewhere was laid beside the links; 1 URL in it has not been read yet.');
        await waitForText(page, 'Revision 1');
    });

    it('keeps what it said before: the earlier revision can be looked at in every view, and not changed', async () => {
        const known = async (address: string): Promise<number> => {
            const answer = await fetch(`${app.address}/api/v1/sites/1/surveys/${address}/pages?count=1`);
            return z.object({ total: z.number() }).parse(await answer.json()).total;
        };
        const newest = await known('1');
        const revisions = await page.$$eval('section[aria-label="Revisions"] a[href$="/brief"]', (links) =>
            links.map((link) => new URL((link as HTMLAnchorElement).href).pathname),
        );
        const last = revisions.at(-1)!;
        // The list brought one URL that nothing else knew.
        expect(await known(last.split('/').at(-2)!)).toBe(newest - 1);
        await Promise.all([page.waitForNavigation(), page.click(`a[href="${last}"]`)]);
        await waitForText(page, 'what it said earlier, to be looked at and not changed');
        await numbersAreSets();
        const views = ['reach', 'weight', 'pages', 'links', 'progress', 'completeness', 'orphans', 'templates'];
        for (const part of [...views, 'sitemaps', 'hosts', 'links-in', 'evidence', 'source?of=/']) {
            await page.goto(`${app.address}${last.replace('brief', part)}`);
            await waitForText(page, 'to be looked at and not changed');
        }
        const changed = await page.evaluate(
            async (address) => (await fetch(address, { method: 'POST', body: '{}' })).status,
            `/api/v1/sites/1/surveys/${last.split('/').at(-2)}/delete`,
        );
        expect(changed).toBe(409);
        // The list came with the next revision: this one does not know it.
        await page.goto(`${app.address}${last.replace('brief', 'evidence')}`);
        await waitForText(page, 'Lists are added to the newest revision');
        expect(await page.$('section[aria-label="Lists"]')).toBeNull();
        await page.goto(`${app.address}/sites/1/1.99/brief`);
        await waitForText(page, 'There is no such survey');
        watched.troubles.length = 0;
        await page.goto(`${app.address}/sites/1/1/evidence`);
    });

    it('has the unreadable lines and what matches nothing to download', async () => {
        const hrefs = await page.$$eval('a[href$=".csv"]', (links) =>
            links.map((link) => (link as HTMLAnchorElement).href),
        );
        expect(hrefs.length).toBe(2);
        const texts = await page.evaluate(
            (urls) => Promise.all(urls.map((url) => fetch(url).then((answer) => answer.text()))),
            hrefs,
        );
        expect(texts.join('\n')).toContain('https://elsewhere.example/');
        expect(texts.join('\n')).toContain('no address that can be used');
    });

    it('reads what became known, and shows it as a page that links miss', async () => {
        await Promise.all([page.waitForNavigation({ timeout: 60_000 }), clickText(page, 'Read it now', 'button')]);
        await waitForText(page, 'is done: read the Brief', 60_000);
        await page.goto(`${app.address}/sites/1/1/orphans`);
        await waitForText(page, '10 pages cannot be reached by links');
        await waitForText(page, 'oiling-a-whetstone');
        await waitForText(page, '/guides/oiling-a-worktop/');
    });

    it('tells how complete the survey is, every number a set of that size', async () => {
        await page.goto(`${app.address}/sites/1/1/completeness`);
        await waitForText(page, 'What this survey cannot claim');
        await waitForText(page, 'Nobody gave it an access log, what a search index lists or links from other sites');
        expect(await numbersAreSets()).toBeGreaterThan(30);
    });

    it('takes addresses typed in and a bare count, and says what is wrong with either', async () => {
        await page.goto(`${app.address}/sites/1/1/evidence`);
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add the count', 'button')]);
        await waitForText(page, 'Say where the count is from.');
        watched.troubles.length = 0;
        await page.type('#count', '480');
        await page.type('#count-day', '2026-03-02');
        await page.type('#count-name', 'the county’s index');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add the count', 'button')]);
        await waitForText(page, 'a count of 2026-03-02, without a list');
        await page.type('#urls', '/guides/lending-to-a-neighbour/');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Add addresses', 'button')]);
        await waitForText(page, 'Typed in typed in');
        // What was read of the first list, and of the second the page that no one has read yet.
        expect(await numbersAreSets()).toBe(2);
        await page.goto(`${app.address}/sites/1/1/evidence`);
    });

    it('refuses a file that is no list in a sentence', async () => {
        const path = join(folder, 'photo.bin');
        writeFileSync(path, Buffer.alloc(5_000));
        await page.select('#evidence-kind', 'search');
        const input = (await page.$('#evidence-file'))!.asElement() as ElementHandle<HTMLInputElement>;
        await input.uploadFile(path);
        await waitForText(page, 'photo.bin is no text: it holds NUL bytes. Give a CSV file or plain lines.');
        watched.troubles.length = 0;
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

describe('accessibility', () => {
    const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
    const Violations = z.array(
        z.object({
            id: z.string(),
            nodes: z.array(z.object({ html: z.string(), failureSummary: z.string().optional() })),
        }),
    );
    const deepPage = (): Promise<string> =>
        page.evaluate(async () => {
            const answer = (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=%22planing-end%22')).json()) as {
                rows: { url: string }[];
            };
            return new URL(answer.rows[0]!.url).pathname;
        });

    const VIEWS = [
        '/sites',
        '/sites/new',
        '/sites/1/new-survey',
        '/sites/1/1/brief',
        '/sites/1/1/brief?set=section+is+guides',
        '/sites/1/1/reach',
        '/sites/1/1/reach?set=section+is+guides&page=PAGE',
        '/sites/1/1/weight',
        '/sites/1/1/structure',
        '/sites/1/1/pages',
        '/sites/1/1/pages?page=PAGE',
        '/sites/1/1/pages?page=PAGE&pin=/',
        '/sites/1/1/pages?page=/nobody-links/here',
        '/sites/1/1/pages?set=%22nothing-like-this%22',
        '/sites/1/1/pages?set=depht+%3E+3',
        '/sites/1/1/links?set=orphan&side=to',
        '/sites/1/1/progress',
        '/sites/1/1/templates',
        '/sites/1/1/hosts',
        '/sites/1/1/source?of=PAGE&line=12',
        '/sites/1/1/completeness',
        '/sites/1/1/evidence',
        '/sites/1/1/orphans',
        '/sites/1/1/sitemaps',
        '/sites/1/1/links-in',
        '/sites/1/door',
        '/door',
        '/sites/2/1/brief',
        '/sites/2/1/reach',
        '/sites/2/1/weight',
        '/sites/3/1/progress',
    ];
    async function look(theme: 'chart' | 'night', width: number, view: string): Promise<void> {
        await page.goto(`${app.address}/sites`);
        const other = await openPage(browser, app.address, theme, width);
        await other.page.setBypassCSP(true);
        await other.page.goto(app.address + view.replace('PAGE', await deepPage()), {
            waitUntil: 'networkidle2',
        });
        await other.page.evaluate(axeSource);
        const found = Violations.parse(await other.page.evaluate('axe.run().then((result) => result.violations)'));
        // Nothing sticks out sideways on a phone.
        expect(await other.page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
        await other.page.close();
        expect(
            found.map(
                (item) =>
                    `${item.id}: ${item.nodes
                        .map((at) => at.html.slice(0, 160))
                        .slice(0, 3)
                        .join(' | ')}`,
            ),
        ).toEqual([]);
        expect(other.troubles).toEqual([]);
    }

    // Contrast is a matter of the theme, layout one of the width: each is looked at in two of either.
    for (const theme of ['chart', 'night'] as const) {
        for (const width of theme === 'chart' ? [1280, 390] : [1280]) {
            it.each(VIEWS)(`axe has nothing to say in ${theme} at ${width} px: %s`, (view) => look(theme, width, view));
        }
    }
    it.each(['/sites/1/1/brief', '/sites/1/1/pages?page=PAGE', '/sites/1/1/weight'])(
        'axe has nothing to say with the rail folded: %s',
        (view) => look('chart', 1000, view),
    );

    it('can be worked with the keyboard alone', async () => {
        await page.goto(`${app.address}/sites/1/1/brief`, { waitUntil: 'networkidle2' });
        const stops: string[] = [];
        for (let step = 0; step < 60; step++) {
            await page.keyboard.press('Tab');
            stops.push(
                await page.evaluate(
                    () =>
                        document.activeElement?.getAttribute('aria-label') ??
                        document.activeElement?.textContent?.trim() ??
                        '',
                ),
            );
        }
        for (const wanted of ['To the content', 'Edge Map, all sites', '9']) expect(stops).toContain(wanted);
        expect(stops.some((stop) => /^9 robots: stopped at this gate$/.test(stop))).toBe(true);
        // How many there are depends on how far the calendar was read while it was open.
        expect(stops.some((stop) => /^\d+ pages at depth 9/.test(stop))).toBe(true);
    });
});
