/** The map: the whole site on one picture, walked with pointer and keys, the same as a table. */
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

const there = async (query = ''): Promise<void> => {
    await page.goto(`${app.address}/sites/1/1/map${query}`, { waitUntil: 'networkidle2' });
    // Names of bars come behind the rest of the picture.
    await page.waitForSelector('.picture[data-named="true"]');
};
/** Points of the picture that are drawn, of the layer below: none is a picture that was never made. */
const drawnPoints = (): Promise<number> =>
    page.$eval('.picture > canvas', (element) => {
        const canvas = element as HTMLCanvasElement;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let points = 0;
        for (let at = 3; at < data.length; at += 4) if (data[at] !== 0) points++;
        return points;
    });
const pictureOf = (): Promise<string> =>
    page.$eval('.picture > canvas', (element) => (element as HTMLCanvasElement).toDataURL());
const heads = (): Promise<string[]> =>
    page.$$eval('.heads .head', (all) => all.map((head) => (head as HTMLElement).innerText.replace(/\s+/g, ' ')));

describe('the map', () => {
    it('shows all pages by depth and section, the same picture each time, and as a table', async () => {
        await there();
        expect(await drawnPoints()).toBeGreaterThan(10_000);
        const [told, first] = [await heads(), await pictureOf()];
        expect(told.some((head) => /tools \d+/.test(head))).toBe(true);
        await there();
        expect(await pictureOf()).toBe(first);
        expect(await heads()).toEqual(told);
        await clickText(page, 'As a table pages by depth and section', 'summary');
        const sums = await page.$$eval('table.ruled tbody tr td:last-child', (cells) =>
            cells.reduce((sum, cell) => sum + Number(cell.textContent.replace(/\D/g, '')), 0),
        );
        const ofHeads = told.reduce((sum, head) => sum + Number(/(\d+)$/.exec(head)![1]), 0);
        expect(sums).toBe(ofHeads);
    });

    it('tells the page that is pointed at, and opens it', async () => {
        await there();
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        await page.mouse.move(box.x + 3, box.y + 8);
        await waitForText(page, 'passes all seven');
        expect(await textOf(page, '.told')).toMatch(/depth 0 clicks .*behind it \d+ pages/);
        await page.mouse.click(box.x + 3, box.y + 8);
        await page.waitForSelector('.sheet');
        expect(new URL(page.url()).searchParams.get('page')).toBe('/');
    });

    it('is walked with the keys alone, and says where one is', async () => {
        await there();
        await page.focus('[role="application"]');
        await page.keyboard.press('ArrowDown');
        await page.waitForFunction(() =>
            document.querySelector('.picture [role="status"]')!.textContent.includes('depth 0'),
        );
        await page.keyboard.press('ArrowDown');
        await page.waitForFunction(() =>
            document.querySelector('.picture [role="status"]')!.textContent.includes('depth 1'),
        );
        await page.keyboard.press('Enter');
        await page.waitForSelector('.sheet');
        expect(await textOf(page, '.sheet')).toContain('1 click');
    });

    it('makes a set of what is dragged over, or says that it is too much', async () => {
        await there();
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        const drag = async (from: [number, number], to: [number, number]): Promise<void> => {
            await page.mouse.move(box.x + from[0], box.y + from[1]);
            await page.mouse.down();
            await page.mouse.move(box.x + to[0], box.y + to[1], { steps: 4 });
            await page.mouse.up();
        };
        await drag([1, 1], [box.width - 2, box.height - 2]);
        await waitForText(page, 'a set holds 80 at most');
        // The start page alone: its bar begins at the left edge.
        await drag([0.5, 2], [12, 18]);
        await page.waitForFunction(() => new URL(location.href).searchParams.has('set'));
        expect(new URL(page.url()).searchParams.get('set')).toMatch(/^url is one of "http[^"]*"$/);
        await waitForText(page, '1 of ');
    });

    it('lets go of what is let go of outside of it: what follows is pointing', async () => {
        await there();
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        await page.mouse.move(box.x + 30, box.y + 20);
        await page.mouse.down();
        await page.mouse.move(box.x - 30, box.y + 1, { steps: 3 });
        await page.mouse.up();
        await page.waitForFunction(() => new URL(location.href).searchParams.has('set'));
        const set = new URL(page.url()).searchParams.get('set');
        await page.mouse.move(box.x + 200, box.y + 60, { steps: 3 });
        await page.mouse.move(box.x + 3, box.y + 8, { steps: 3 });
        await waitForText(page, 'passes all seven');
        expect(new URL(page.url()).searchParams.get('set')).toBe(set);
    });

    it('says so where the current set cannot be told in the browser', async () => {
        await there(`?set=${encodeURIComponent('has fault')}`);
        await waitForText(page, 'it is not lit here');
        await there('?set=orphan');
        await page.waitForFunction(() => !document.body.innerText.includes('it is not lit here'));
    });

    it('lights the current set, and grows', async () => {
        await there();
        const whole = await pictureOf();
        await there('?set=section+is+guides');
        await page.waitForFunction(
            (before) => (document.querySelector('.picture > canvas') as HTMLCanvasElement).toDataURL() !== before,
            {},
            whole,
        );
        const height = (): Promise<number> => page.$eval('.picture > canvas', (element) => element.clientHeight);
        const before = await height();
        await page.click('button[aria-label="Larger"]');
        await page.waitForFunction(
            (least) => document.querySelector('.picture > canvas')!.clientHeight > least,
            {},
            before,
        );
        expect(new URL(page.url()).searchParams.get('size')).toBe('1.5');
    });
});
