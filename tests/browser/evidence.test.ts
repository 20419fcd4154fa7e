/** Evidence from elsewhere, laid beside a survey on screen. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import type { Application } from '../support/application.ts';
import { clickText, waitForText, type WatchedPage } from '../support/browser.ts';
import { openScene, type Scene } from '../support/scene.ts';

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;
let numbersAreSets: Scene['numbersAreSets'];

beforeAll(async () => {
    scene = await openScene();
    ({ app, page, watched, numbersAreSets } = scene);
});
afterAll(async () => {
    await scene?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
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

    it('takes an access log, and tells where robots spend their visits', async () => {
        const path = join(folder, 'robots.log');
        const line = (target: string, status: number): string =>
            `198.51.100.7 - - [10/Mar/2026:13:55:36 +0000] "GET ${target} HTTP/1.1" ${status} 1 "-" "AnyAgent/5 (compatible; OtterBot/2.1)"`;
        writeFileSync(path, [line('/', 200), line('/', 304), line('/visit/', 200), line('/nowhere', 404)].join('\n'));
        await page.goto(`${app.address}/sites/1/1/evidence`);
        await page.select('#evidence-kind', 'log');
        const input = (await page.$('#evidence-file'))!.asElement() as ElementHandle<HTMLInputElement>;
        await input.uploadFile(path);
        await waitForText(page, 'Which agents are robots?');
        await clickText(page, 'Add robots.log', 'button');
        await page.waitForFunction(() =>
            document.querySelector('section[aria-label="Lists"]')?.textContent?.includes('robots.log'),
        );
        await page.goto(`${app.address}/sites/1/1/spent`);
        await waitForText(page, 'Robots spend 75% of 4 requests on what may be indexed');
        await waitForText(page, 'OtterBot');
        expect(await numbersAreSets()).toBeGreaterThan(4);
    });
});
