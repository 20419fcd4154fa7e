/** Around a page, and the journey: what lies around, paths between two pages, a walk with its trail, walks by chance. */
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

const there = (view: string): Promise<unknown> =>
    page.goto(`${app.address}/sites/1/1/${view}`, { waitUntil: 'networkidle2' });
const param = (name: string): string | null => new URL(page.url()).searchParams.get(name);
const CALIPER = '/tools/measuring/vernier-caliper/';

describe('around a page', () => {
    it('groups what leads there and on, and every number of it is a set of that size', async () => {
        await there(`around?of=${CALIPER}`);
        const headline = await textOf(page, '.headline');
        const [, into, on] = /^(\d+) pages lead to .*, from there links lead on to (\d+)/.exec(headline)!;
        const totals = await page.$$eval('.around .group:not(.shared) h2 .num', (numbers) =>
            numbers.map((number) => ({
                left: number.getBoundingClientRect().left,
                total: Number(number.textContent.replace(/\D/g, '')),
            })),
        );
        const middle = await page.$eval('.around .centre', (element) => element.getBoundingClientRect().left);
        const sum = (isLeft: boolean): number =>
            totals.filter(({ left }) => left < middle === isLeft).reduce((all, { total }) => all + total, 0);
        expect([sum(true), sum(false)]).toEqual([Number(into), Number(on)]);
        expect(await scene.numbersAreSets()).toBeGreaterThan(5);
    });

    it('grows step by step, changes its kinds of links, and puts another page in the middle', async () => {
        await there(`around?of=${CALIPER}`);
        const groups = (): Promise<string[]> =>
            page.$$eval('.around .group h2', (all) => all.map((group) => group.textContent.replace(/\s+/g, ' ')));
        const before = await groups();
        await clickText(page, '2', '.part');
        await waitForText(page, '2 steps before');
        // What was there stays as it was.
        expect(await groups()).toEqual(before);
        await page.evaluate(() => {
            const label = [...document.querySelectorAll('.kinds label')].find((own) =>
                own.textContent.includes('widely shared'),
            )!;
            label.querySelector('input')!.click();
        });
        await page.waitForFunction(() => new URL(location.href).searchParams.getAll('kind').includes('shared'));
        await page.waitForFunction(() => document.querySelector('.around .shared') === null);
        const link = await page.$eval('.around .group li a', (element) => element.getAttribute('title'));
        await page.click('.around .group li a');
        await page.waitForFunction((of) => new URL(location.href).searchParams.get('of') !== of, {}, CALIPER);
        expect(await textOf(page, '.around .centre')).toContain(link!.slice(0, 12));
    });

    it('counts the shortest paths to another page, and those that leave one out', async () => {
        await there(`around?of=${CALIPER}&to=/guides/planing-end-grain/`);
        const told = await textOf(page, '[aria-label="A path between two pages"]');
        const [, paths, clicks] = /(\d+) shortest paths? of (\d+) clicks? to/.exec(told)!;
        expect(Number(paths)).toBeGreaterThan(0);
        // As many steps as clicks, and where it begins.
        expect(await page.$$eval('.path li', (steps) => steps.length)).toBe(Number(clicks) + 1);
        await page.evaluate(() => {
            const links = [
                ...document.querySelectorAll<HTMLAnchorElement>('[aria-label="A path between two pages"] p a'),
            ];
            links.find(({ href }) => href.includes('without='))!.click();
        });
        await page.waitForFunction(() => new URL(location.href).searchParams.has('without'));
        await waitForText(page, 'with it again');
        expect(await textOf(page, '[aria-label="A path between two pages"]')).toMatch(
            /; without .+ (none|\d+ of \d+ clicks?)/,
        );
    });

    it('stands around a small set, and says so where a set is too large or a page is not known', async () => {
        await there(
            `around?set=${encodeURIComponent(`url is one of "${new URL(CALIPER, 'https://www.fernhollow-tools.example').href}", "https://www.fernhollow-tools.example/guides/"`)}`,
        );
        expect(await textOf(page, '.around .centre')).toContain('2 pages');
        await there('around?set=page');
        await waitForText(page, '12 at most stand in the middle together');
        await there('around?of=/nobody/knows/this/');
        await waitForText(page, 'This survey knows nothing of /nobody/knows/this/.');
    });
});

describe('the journey', () => {
    it('is walked link by link, names its loop, and goes back', async () => {
        await there('journey');
        await waitForText(page, '1 page in 0 clicks');
        const step = async (words: string): Promise<void> => {
            const before = await page.$$eval('.over svg a', (all) => all.length);
            await clickText(page, words, 'a.anchor');
            await page.waitForFunction((known) => document.querySelectorAll('.over svg a').length > known, {}, before);
        };
        await step('Guides');
        await step('Tools');
        await step('Guides');
        await waitForText(page, '3 pages in 3 clicks, 1 loop');
        expect(await page.$eval('.over svg', (drawn) => drawn.textContent)).toContain('a loop of 2 clicks');
        expect(await scene.numbersAreSets()).toBeGreaterThan(0);
        await clickText(page, 'Back one click', 'a');
        await waitForText(page, '3 pages in 2 clicks');
        await clickText(page, 'The trail as a set', 'a');
        await page.waitForFunction(() => location.pathname.endsWith('/pages'));
        expect(param('set')).toMatch(/^url is one of /);
    });

    it('tells a dead end and why it is one, a page that is not known, and the walk of a robot', async () => {
        await there('journey?trail=/+/members/');
        await waitForText(page, 'A dead end. Stops at robots');
        await there('journey?trail=/+/nobody/knows/this/');
        await waitForText(page, 'This survey knows nothing of /nobody/knows/this/: left out of the trail.');
        await clickText(page, 'a robot', 'a');
        await page.waitForFunction(() => new URL(location.href).searchParams.get('as') === 'robot');
    });

    it('walks by chance, the same for the same seed', async () => {
        const shares = async (): Promise<string> => {
            await page.waitForSelector('.shares tbody tr');
            return textOf(page, '.shares');
        };
        await there('journey');
        const first = await shares();
        expect(first).toMatch(/tools \d+\.\d \d+\.\d/);
        await there('journey');
        expect(await shares()).toBe(first);
        await page.focus('input[max="999999"]');
        await page.keyboard.press('ArrowUp');
        await page.waitForFunction(
            (before) => document.querySelector<HTMLElement>('.shares')!.innerText.replace(/\s+/g, ' ') !== before,
            {},
            first,
        );
        // The address says which walks they are: sent to somebody, they are the same.
        expect(param('seed')).toBe('12');
        const second = await shares();
        await there('journey?seed=12');
        expect(await shares()).toBe(second);
        await there(`journey?until=${CALIPER}`);
        await waitForText(page, `came to ${CALIPER}`);
        await there('journey?until=/nobody/knows/this/');
        await waitForText(page, 'This survey knows nothing of /nobody/knows/this/.');
    });

    it('begins at a page from its sheet', async () => {
        await there(`pages?page=${CALIPER}`);
        await clickText(page, 'walk on from it', 'a');
        await page.waitForFunction(() => location.pathname.endsWith('/journey'));
        expect(param('trail')).toBe(CALIPER);
        await there(`pages?page=${CALIPER}`);
        await clickText(page, 'around this page', 'a');
        await page.waitForFunction(() => location.pathname.endsWith('/around'));
        expect(param('of')).toBe(CALIPER);
    });
});
