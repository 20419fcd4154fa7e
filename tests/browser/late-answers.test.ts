/** Answers that come late: they move nothing the reader has chosen, and show nothing of what was asked before. */
import type { Browser, HTTPRequest, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import { startApplication, type Application } from '../support/application.ts';
import { clickText, openBrowser, openPage, type WatchedPage } from '../support/browser.ts';
import { until } from '../support/command.ts';
import { tableSite } from '../support/survey.ts';

const PAGES = 600;
let app: Application;
let standIn: StandIn;
let browser: Browser;
let watched: WatchedPage;
let page: Page;

beforeAll(async () => {
    const paths = Array.from({ length: PAGES }, (_, n) => `/section/p${String(n).padStart(3, '0')}`);
    standIn = await startStandIn(
        tableSite({
            '/': paths.map((path) => `<a href="${path}">${path}</a>`).join(' '),
            ...Object.fromEntries(
                paths.map((path, n) => [path, `<title>Title ${String(PAGES - n).padStart(3, '0')}</title>`]),
            ),
        }),
    );
    app = await startApplication();
    const body = new URLSearchParams({
        start: `http://127.0.0.1:${standIn.port}/`,
        maxPages: '5000',
        concurrency: '6',
        robots: 'obey',
        then: 'survey',
    });
    const made = await fetch(`${app.address}/sites/new`, {
        method: 'POST',
        body,
        headers: { origin: app.address, accept: 'text/html' },
        redirect: 'manual',
    });
    expect(made.status).toBe(303);
    await until(
        'the end of the survey',
        async () => {
            const answer = await fetch(`${app.address}/api/v1/sites/1/surveys/1/summary.json`);
            return answer.ok && ((await answer.json()) as { ended: string | null }).ended !== null;
        },
        120_000,
    );
    browser = await openBrowser();
    watched = await openPage(browser, app.address);
    ({ page } = watched);
});
afterAll(async () => {
    expect(watched.troubles).toEqual([]);
    await browser.close();
    await app.close();
    await standIn.close();
});

/** Holds back requests of a kind until it is told to let them go. */
async function holdBack(isHeld: (url: URL) => boolean): Promise<{ held: HTTPRequest[]; letGo: () => Promise<void> }> {
    const held: HTTPRequest[] = [];
    let isOpen = false;
    const handle = (request: HTTPRequest): void => {
        if (!isOpen && isHeld(new URL(request.url()))) held.push(request);
        else void request.continue();
    };
    await page.setRequestInterception(true);
    page.on('request', handle);
    return {
        held,
        async letGo() {
            isOpen = true;
            for (const request of held) await request.continue().catch(() => undefined);
            await page.waitForNetworkIdle();
            page.off('request', handle);
            await page.setRequestInterception(false);
        },
    };
}

describe('completion', () => {
    it('keeps the chosen line when an answer comes after it was chosen', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.focus('#set-text');
        await page.keyboard.type('s');
        await page.waitForFunction(() => document.querySelectorAll('[role=option]').length > 3);
        // The answer to the next letter is on its way while the reader goes down the list.
        const late = await holdBack((url) => url.pathname.endsWith('/complete'));
        await page.keyboard.type('e');
        const section = await page.$$eval('[role=option]', (options) =>
            options.findIndex((option) => option.textContent?.trim().startsWith('section')),
        );
        expect(section).toBeGreaterThanOrEqual(0);
        for (let step = 0; step <= section; step++) await page.keyboard.press('ArrowDown');
        expect(late.held).toHaveLength(1);
        await late.letGo();
        expect(await page.$eval('[role=option][aria-selected=true]', (option) => option.textContent?.trim())).toMatch(
            /^section/,
        );
        await page.keyboard.press('Enter');
        expect(await page.$eval('#set-text', (input) => (input as HTMLInputElement).value)).toMatch(/^section /);
    });

    it('does not open again after it was closed', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.focus('#set-text');
        await page.keyboard.type('s');
        await page.waitForSelector('[role=option]');
        const late = await holdBack((url) => url.pathname.endsWith('/complete'));
        await page.keyboard.type('e');
        await page.keyboard.press('Escape');
        await late.letGo();
        expect(await page.$eval('#set-text', (input) => input.getAttribute('aria-expanded'))).toBe('false');
    });
});

describe('the table', () => {
    it('shows no row of the order it had before', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        const late = await holdBack(
            (url) =>
                url.pathname.endsWith('/surveys/1/pages') &&
                Number(url.searchParams.get('from')) > 0 &&
                !url.searchParams.get('order')?.startsWith('title'),
        );
        // Down to where the rows have to be asked for, by the order of addresses.
        await page.$eval('.scroller', (scroller) => (scroller.scrollTop = 300 * 25));
        await until('a window that is asked for', () => late.held.length > 0);
        await clickText(page, 'Title', '[role=columnheader] button');
        await page.waitForFunction(() => location.search.includes('order=title'));
        await page.waitForSelector('[aria-sort]');
        await late.letGo();
        const rows = await page.evaluate(() => {
            const titles = [...document.querySelectorAll('.scroller .body [role=row]')].map(
                (row) => row.textContent ?? '',
            );
            return titles.flatMap((text) => /p(\d{3}).*?Title (\d{3})/.exec(text)?.slice(1) ?? []);
        });
        expect(rows.length).toBeGreaterThan(10);
        const titles = rows.filter((_, at) => at % 2 === 1).map(Number);
        // By title, ascending: addresses run the other way.
        expect(titles).toEqual([...titles].sort((a, b) => a - b));
    });
});
