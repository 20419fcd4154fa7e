/** What a survey sends besides its requests: kept for the next one, shown by name only, and forgotten when asked. */
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { startStandIn, type SiteAnswer, type SiteRequest, type StandIn } from '../../demo/stand-in.ts';
import { startApplication, type Application } from '../support/application.ts';
import { clickText, openBrowser, openPage, textOf, waitForText, type WatchedPage } from '../support/browser.ts';

const PASSWORD = 'hedge-and-ditch-71';
const STAGE = 'let-me-in-4471';

let app: Application;
let staging: StandIn;
let browser: Browser;
let watched: WatchedPage;
let page: Page;
let headers: NonNullable<SiteRequest['headers']>[] = [];

/** A staging copy behind a password, which answers nobody without it. */
function answer({ headers: sent = {} }: SiteRequest): SiteAnswer {
    headers.push(sent);
    const signIn = `Basic ${Buffer.from(`ana:${PASSWORD}`).toString('base64')}`;
    if (sent.authorization !== signIn) {
        return { status: 401, headers: { 'content-type': 'text/html', 'www-authenticate': 'Basic' }, body: 'who?' };
    }
    return { status: 200, headers: { 'content-type': 'text/html' }, body: '<title>Staging</title><p>Here.' };
}

beforeAll(async () => {
    staging = await startStandIn(answer);
    app = await startApplication();
    browser = await openBrowser();
    watched = await openPage(browser, app.address);
    ({ page } = watched);
});
afterAll(async () => {
    await browser?.close();
    await app?.close();
    await staging?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
    headers = [];
});

/** Begins a survey with the form that is open, and waits for its end. */
async function survey(button: string): Promise<void> {
    await Promise.all([page.waitForNavigation(), clickText(page, button)]);
    await waitForText(page, 'is done: read the Brief', 60_000);
}

async function openMore(): Promise<void> {
    await page.$$eval('details', (all) => all.forEach((details) => (details.open = true)));
}

describe('what is sent besides', () => {
    it('opens a staging copy, and stands nowhere on screen but by name', async () => {
        await page.goto(`${app.address}/sites/new`);
        await openMore();
        await page.type('#start', `http://127.0.0.1:${staging.port}/`);
        await page.type('#signIn', `ana:${PASSWORD}`);
        await page.type('#headers', `X-Stage: ${STAGE}`);
        await survey('Add and start the survey');
        expect(headers.some((sent) => sent['x-stage'] === STAGE)).toBe(true);
        await page.goto(`${app.address}/sites/1/1/pages`);
        await waitForText(page, '1 URL in this set.');
        await waitForText(page, 'Staging');
        for (const part of ['progress', 'brief', 'pages']) {
            await page.goto(`${app.address}/sites/1/1/${part}`);
            const html = await page.content();
            expect(html).not.toContain(PASSWORD);
            expect(html).not.toContain(STAGE);
        }
    });

    it('is kept for the next survey, with empty fields, and sent again', async () => {
        await page.goto(`${app.address}/sites/1/new-survey`);
        await openMore();
        await waitForText(page, 'Kept from last time: header X-Stage, sign-in ana.');
        expect(await page.$eval('#signIn', (field) => (field as HTMLInputElement).value)).toBe('');
        expect(await page.$eval('#headers', (field) => (field as HTMLTextAreaElement).value)).toBe('');
        expect(await page.content()).not.toContain(PASSWORD);
        await survey('Start the survey');
        expect(headers.some((sent) => sent['x-stage'] === STAGE)).toBe(true);
    });

    it('is forgotten when asked: the next survey is let in nowhere, and says so', async () => {
        await page.goto(`${app.address}/sites/1/new-survey`);
        await openMore();
        await page.click('input[name="forget"]');
        await Promise.all([page.waitForNavigation(), clickText(page, 'Start the survey')]);
        await waitForText(page, '401', 60_000);
        expect(headers.length).toBeGreaterThan(0);
        expect(headers.some((sent) => sent.authorization !== undefined)).toBe(false);
        expect(headers.some((sent) => sent['x-stage'] !== undefined)).toBe(false);
        await page.goto(`${app.address}/sites/1/new-survey`);
        expect(await textOf(page)).not.toContain('Kept from last time');
    });
});
