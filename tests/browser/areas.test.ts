/** What the areas show, and what is done there. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import type { Page } from 'puppeteer-core';
import { SaxesParser } from 'saxes';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import type { Application } from '../support/application.ts';
import { clickText, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { until } from '../support/command.ts';
import { openScene, type Scene } from '../support/scene.ts';

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;
let downloads: Scene['downloads'];
let downloaded: Scene['downloaded'];
let numbersAreSets: Scene['numbersAreSets'];

beforeAll(async () => {
    scene = await openScene();
    ({ app, page, watched, downloads, downloaded, numbersAreSets } = scene);
});
afterAll(async () => {
    await scene?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
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
        // The old section is an island, all of it; the guides nobody links to hang together with nothing.
        expect(jobs.some((job) => job.includes('Link to /2016/, which an island hangs from'))).toBe(true);
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
        // On the map: every page that is meant, there or not, and how each stands.
        await there('map?arrange=address&group=intended&shade=structure');
        await waitForText(page, '2 of 5 pages that are meant stand as intended; ');
        expect(await textOf(page, '.headline')).toContain('1 without a page');
        expect(await textOf(page, '.legend')).toMatch(/not linked \d+|not reached \d+/);
        await there('structure');
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
