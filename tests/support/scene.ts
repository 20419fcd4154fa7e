/** An application with a surveyed site in it, and a page of a browser that looks at it. */
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { expect, inject } from 'vitest';
import { startApplication, type Application } from './application.ts';
import { openBrowser, openPage, type WatchedPage } from './browser.ts';
import { until } from './command.ts';
import { temporaryFolder } from './instance.ts';

export interface Scene {
    app: Application;
    browser: Browser;
    page: Page;
    watched: WatchedPage;
    /** Where the browser puts what it downloads. */
    downloads: string;
    /** The text of a download, once it is there. */
    downloaded: (name: RegExp) => Promise<string>;
    /** Holds every number of the view that leads to a set against that set's size; @returns how many there are. */
    numbersAreSets: () => Promise<number>;
    close: () => Promise<void>;
}

/** @param prepare does something with the data folder before the application starts */
export async function openScene(prepare?: (data: string) => Promise<void>): Promise<Scene> {
    const data = temporaryFolder('scene');
    cpSync(inject('madeSite'), data, { recursive: true });
    await prepare?.(data);
    return sceneOf(await startApplication(['start'], data));
}

/** The same with nothing in it yet. */
export async function openEmptyScene(): Promise<Scene> {
    return sceneOf(await startApplication());
}

async function sceneOf(app: Application): Promise<Scene> {
    const downloads = mkdtempSync(join(tmpdir(), 'edgemap-downloads-'));
    const browser = await openBrowser();
    const watched = await openPage(browser, app.address);
    const { page } = watched;
    awaken(page);
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
    return {
        app,
        browser,
        page,
        watched,
        downloads,
        async downloaded(name) {
            const file = await until(
                `the download ${name}`,
                () => readdirSync(downloads).find((item) => name.test(item) && !item.endsWith('.crdownload')),
                30_000,
            );
            return readFileSync(join(downloads, file), 'utf8');
        },
        numbersAreSets: () => numbersAreSets(page),
        async close() {
            await browser.close();
            await app.close();
            rmSync(downloads, { recursive: true, force: true });
        },
    };
}

/** A page that was gone to is there when it does what is pressed. */
function awaken(page: Page): void {
    const go = page.goto.bind(page);
    page.goto = async (url, options) => {
        const answer = await go(url, options);
        // An error that comes from before the application has no code to wait for.
        if ((answer?.status() ?? 500) < 400) await page.waitForSelector('html[data-awake]');
        return answer;
    };
}

async function numbersAreSets(page: Page): Promise<number> {
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
