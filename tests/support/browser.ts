/** The real browser, headless, with nothing of its own going out. */
import { existsSync } from 'node:fs';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];

export async function openBrowser(): Promise<Browser> {
    const executablePath = PLACES.find((path) => existsSync(path));
    if (!executablePath) throw new Error('Chromium is not installed. Install it with: apt-get install chromium');
    return puppeteer.launch({
        executablePath,
        headless: true,
        // As root Chromium needs --no-sandbox; what it opens here is our own application only.
        args: [
            '--no-sandbox',
            '--disable-gpu',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
        ],
    });
}

export interface WatchedPage {
    page: Page;
    /** Errors of scripts and of the Content-Security-Policy, and requests that went elsewhere. */
    troubles: string[];
}

/** A page that notes everything that goes wrong in it. */
export async function openPage(
    browser: Browser,
    address: string,
    theme: 'chart' | 'night' = 'chart',
    width = 1280,
    height = 800,
): Promise<WatchedPage> {
    const page = await browser.newPage();
    const troubles: string[] = [];
    page.on('pageerror', (error) => troubles.push(`error: ${error instanceof Error ? error.message : String(error)}`));
    page.on('console', (message) => {
        if (message.type() === 'error') troubles.push(`console: ${message.text()}`);
    });
    page.on('request', (request) => {
        if (!request.url().startsWith(address) && !request.url().startsWith('data:'))
            troubles.push(`request elsewhere: ${request.url()}`);
    });
    await page.setViewport({ width, height });
    await page.evaluateOnNewDocument((chosen) => localStorage.setItem('theme', chosen), theme);
    return { page, troubles };
}

/** Text of the page as a person reads it. */
export function textOf(page: Page, selector = 'body'): Promise<string> {
    return page.$eval(selector, (element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '));
}

/** Waits until a text stands on the page. */
export async function waitForText(page: Page, text: string, patience = 30_000): Promise<void> {
    await page
        .waitForFunction(
            (wanted) => document.body.innerText.replace(/\s+/g, ' ').includes(wanted),
            { timeout: patience },
            text,
        )
        .catch(async () => {
            throw new Error(`"${text}" does not stand on the page, which says: ${(await textOf(page)).slice(0, 1500)}`);
        });
}

/** Clicks the link or button with that text. */
export async function clickText(page: Page, text: string, selector = 'a, button, summary'): Promise<void> {
    const handle = await page.evaluateHandle(
        (wanted, among) =>
            [...document.querySelectorAll<HTMLElement>(among)].find(
                (element) => element.innerText.replace(/\s+/g, ' ').trim() === wanted,
            ) ?? null,
        text,
        selector,
    );
    const element = handle.asElement() as Awaited<ReturnType<Page['$']>>;
    if (!element) throw new Error(`There is no "${text}" to click.`);
    await element.click();
}
