/** What may be indexed: gates, and a robots.txt that is tried before it is changed. */
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
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

const there = (part: string): Promise<unknown> =>
    page.goto(`${app.address}/sites/1/1/${part}`, { waitUntil: 'networkidle2' });

describe('Gates', () => {
    it('tells what may be indexed and quotes both sides of each contradiction', async () => {
        await there('gates');
        await waitForText(page, 'may be indexed');
        expect(await scene.numbersAreSets()).toBeGreaterThan(8);
        // The rule that closes more than was meant, beside the entry of the sitemap that asks for it.
        const pane = await textOf(page, '[aria-label="Contradictions"]');
        expect(pane).toContain('pages are listed, and closed');
        expect(pane).toContain('<loc>https://www.fernhollow-tools.example/branches/school-road/</loc>');
        expect(pane).toContain('Disallow: /branches/s');
    });
});

describe('Robots', () => {
    it('tells the line that decides for an address, before and after an edit that opens it', async () => {
        await there('robots');
        await page.type('#robots-path', '/branches/school-road/');
        await waitForText(page, 'No, by line 4: Disallow: /branches/s');
        expect(await textOf(page, '[aria-label="Findings on this file"]')).toContain(
            'Line 4: “Disallow: /branches/s” closes 4 pages that a sitemap lists.',
        );
        await page.select('#robots-do', 'open');
        await page.type('[aria-label="Path"]', '/branches/school-road/');
        await clickText(page, 'Find the rules');
        await waitForText(page, 'taking out line 4 and adding 1 line: Disallow: /branches/station-yard/');
        await clickText(page, 'Take');
        await waitForText(page, 'After your edit: yes');
        await waitForText(page, '2 known URLs open');
        // The school's page and what hangs below it were never read: what they hold nobody can say.
        await waitForText(page, 'Not known: what 2 of those that open hold');
        await waitForText(page, '0 pages lose every path');
    });

    it('takes the text as well, tells what it would close, and saves it as a file', async () => {
        await page.$eval('label.tick input', (box) => (box as HTMLInputElement).click());
        await page.waitForSelector('textarea');
        await page.$eval('textarea', (area) => {
            area.value = 'User-agent: *\nDisallow: /guides/\n';
            area.dispatchEvent(new Event('input', { bubbles: true }));
        });
        await page.waitForFunction(() => /[1-9][\d,]* pages? drops? from the index/.test(document.body.innerText));
        await page.waitForFunction(() => /[1-9][\d,]* sitemap entr/.test(document.body.innerText));
        await clickText(page, 'Save as file');
        expect(await scene.downloaded(/^robots\.txt$/)).toBe('User-agent: *\nDisallow: /guides/\n');
        await clickText(page, 'Undo all');
        await page.waitForFunction(() => !document.body.innerText.includes('What this edit would change'));
    });

    it('is judged for another agent', async () => {
        await there('robots?agent=otter');
        await waitForText(page, 'known URLs to otter');
    });
});
