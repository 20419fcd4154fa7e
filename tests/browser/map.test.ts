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
    // Names and shades come behind the rest of the picture.
    await page.waitForSelector('[data-drawn="true"]');
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
            document.querySelector('.map [role="status"]')!.textContent.includes('depth 0'),
        );
        await page.keyboard.press('ArrowDown');
        await page.waitForFunction(() =>
            document.querySelector('.map [role="status"]')!.textContent.includes('depth 1'),
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
        await waitForText(page, 'an address does not hold the set of so many');
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

    it('lights sets that only the server can tell, and says so where neither can', async () => {
        await there();
        const whole = await pictureOf();
        await there(`?set=${encodeURIComponent('has fault')}`);
        await page.waitForFunction(
            (before) => (document.querySelector('.picture > canvas') as HTMLCanvasElement).toDataURL() !== before,
            {},
            whole,
        );
        const { identifier } = await page.evaluateOnNewDocument(() => {
            const asked = window.fetch.bind(window);
            window.fetch = (to, how) =>
                String(to).endsWith('/page-classes') ? Promise.reject(new TypeError('no way there')) : asked(to, how);
        });
        await there(`?set=${encodeURIComponent('has fault')}`);
        await waitForText(page, 'it is not lit here');
        await page.removeScriptToEvaluateOnNewDocument(identifier);
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
        expect(new URL(page.url()).searchParams.get('size')).toBe('1.4');
    });

    it('is arranged by branch, gone into by a second press and by key, and left by the way above it', async () => {
        await there('?arrange=branch');
        await waitForText(page, 'hold half of what lies below the start page');
        // The largest branch stands first at the second level: pressed, its page opens; again, what lies below it.
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        const level = (): Promise<number> =>
            page.$$eval('.scale .rung', (rungs) => rungs[1]!.getBoundingClientRect().top + 10);
        const key = (): string | null => new URL(page.url()).searchParams.get('in');
        await page.mouse.click(box.x + 30, await level());
        await page.waitForSelector('.sheet');
        // The sheet takes room: the picture is laid out anew, narrower.
        await page.waitForFunction(
            (wide) => document.querySelector('.picture')!.clientWidth < wide - 100,
            {},
            box.width,
        );
        const opened = new URL(page.url()).searchParams.get('page')!;
        await page.mouse.move(box.x + 31, (await level()) + 2);
        await waitForText(page, 'a second press goes into what lies below it');
        await page.mouse.click(box.x + 31, (await level()) + 2);
        await page.waitForFunction(() => new URL(location.href).searchParams.has('in'));
        expect(key()).toContain(opened);
        expect(await textOf(page, '.trail')).toMatch(/^all branches › .+ › /);
        await clickText(page, 'all branches', '.trail a');
        await page.waitForFunction(() => !new URL(location.href).searchParams.has('in'));
        await page.waitForFunction(() => document.querySelector('.trail') === null);
        const said = (words: string): Promise<unknown> =>
            page.waitForFunction(
                (told) => document.querySelector('.map [role="status"]')!.textContent.includes(told),
                {},
                words,
            );
        await page.focus('[role="application"]');
        await page.keyboard.press('ArrowUp');
        await said('depth 0');
        await page.keyboard.press('ArrowDown');
        await said('depth 1');
        await page.keyboard.press('PageDown');
        await page.waitForFunction(() => new URL(location.href).searchParams.has('in'));
        await page.waitForSelector('.trail');
        await page.keyboard.press('PageUp');
        await page.waitForFunction(() => !new URL(location.href).searchParams.has('in'));
    });

    it('holds by branch as many pages as the sets say that its headline and levels link to', async () => {
        await there('?arrange=branch&hang=hold');
        expect(await scene.numbersAreSets()).toBeGreaterThan(5);
        await there('?arrange=branch');
        expect(await scene.numbersAreSets()).toBeGreaterThan(8);
        await there('?arrange=address&shade=words');
        expect(await scene.numbersAreSets()).toBeGreaterThan(5);
    });

    it('is arranged by address, in groups the reader chooses', async () => {
        await there('?arrange=address');
        const folders = await pictureOf();
        await page.evaluate(() => {
            const select = [...document.querySelectorAll<HTMLSelectElement>('.picture-choices select')].find((own) =>
                [...own.options].some(({ value }) => value === 'templates'),
            )!;
            select.value = 'templates';
            select.dispatchEvent(new Event('change', { bubbles: true }));
        });
        await page.waitForFunction(() => new URL(location.href).searchParams.get('group') === 'templates');
        await page.waitForFunction(
            (before) => (document.querySelector('.picture > canvas') as HTMLCanvasElement).toDataURL() !== before,
            {},
            folders,
        );
    });

    it('is shaded by what a check finds, with as many pages in the legend as the set has', async () => {
        await there('?shade=finding+orphan-strict');
        expect(await textOf(page, '.legend')).toMatch(/has orphan-strict \d+ has not \d+/);
        expect(await scene.numbersAreSets()).toBeGreaterThan(5);
    });

    it('draws larger with Ctrl and the wheel, and whole again by a key', async () => {
        await there();
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        await page.mouse.move(box.x + 3, box.y + 8);
        await page.keyboard.down('Control');
        for (let turn = 0; turn < 4; turn++) await page.mouse.wheel({ deltaY: -120 });
        await page.keyboard.up('Control');
        await page.waitForFunction(() => Number(new URL(location.href).searchParams.get('size')) > 1.5);
        await page.focus('[role="application"]');
        await page.keyboard.press('0');
        await page.waitForFunction(() => !new URL(location.href).searchParams.has('size'));
    });

    it('is saved as points and as vectors, with its title and legend', async () => {
        await there();
        await page.click('summary[aria-label="The map: picture, print"]');
        await clickText(page, 'Save as SVG', 'button');
        const svg = await scene.downloaded(/^map-by-depth\.svg$/);
        expect(svg).toMatch(/^<svg xmlns/);
        expect(svg).toMatch(/<title>fernhollow/i);
        const pages = Number(/(\d+)/.exec((await textOf(page, '.headline')).split(' of ')[1]!)![1]);
        expect(svg.split('<rect').length).toBeGreaterThan(pages);
        await page.click('summary[aria-label="The map: picture, print"]');
        await clickText(page, 'Save as PNG', 'button');
        expect(await scene.downloaded(/^map-by-depth\.png$/)).toContain('PNG');
    });

    it('makes a set of what an outline is drawn around', async () => {
        await there('?drag=outline');
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        // Around the left end of the start page's bar, and nothing else.
        await page.mouse.move(box.x + 1, box.y + 1);
        await page.mouse.down();
        for (const [x, y] of [
            [12, 1],
            [12, 16],
            [1, 16],
        ] as const) {
            await page.mouse.move(box.x + x, box.y + y, { steps: 4 });
        }
        await page.mouse.up();
        await page.waitForFunction(() => new URL(location.href).searchParams.has('set'));
        expect(new URL(page.url()).searchParams.get('set')).toMatch(/^url is one of "http[^"]*\/"$/);
    });

    it('grows under two fingers that move apart', async () => {
        await there();
        const box = (await (await page.waitForSelector('[role="application"]'))!.boundingBox())!;
        const session = await page.createCDPSession();
        const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...across: number[]): Promise<unknown> =>
            session.send('Input.dispatchTouchEvent', {
                type,
                touchPoints: across.map((x, id) => ({ x: box.x + x, y: box.y + 200, id })),
            });
        await touch('touchStart', 300, 400);
        await touch('touchMove', 270, 430);
        await touch('touchMove', 200, 500);
        await touch('touchEnd');
        await page.waitForFunction(() => Number(new URL(location.href).searchParams.get('size')) >= 2);
        await session.detach();
    });

    it('is a table and a sentence where there is nothing to draw on', async () => {
        const { identifier } = await page.evaluateOnNewDocument(() => {
            Object.defineProperty(window, 'OffscreenCanvas', { value: undefined });
        });
        await page.goto(`${app.address}/sites/1/1/map`, { waitUntil: 'networkidle2' });
        await waitForText(page, 'The picture needs a browser that draws');
        expect(await page.$$eval('table.ruled tbody tr', (rows) => rows.length)).toBeGreaterThan(5);
        await page.removeScriptToEvaluateOnNewDocument(identifier);
    });

    it('is printed whole, as wide as the paper, and nothing else of it', async () => {
        const { identifier } = await page.evaluateOnNewDocument(() => {
            window.print = () => {
                const picture = document.querySelector<HTMLImageElement>('.printed')!;
                document.body.dataset['printed'] = `${picture.complete} ${picture.naturalWidth}`;
            };
        });
        await there();
        await page.click('summary[aria-label="The map: picture, print"]');
        await clickText(page, 'Print', 'button');
        await page.waitForFunction(() => document.body.dataset['printed'] !== undefined);
        const [isThere, wide] = (await page.evaluate(() => document.body.dataset['printed']!)).split(' ');
        expect(isThere).toBe('true');
        // Twice the points of the screen, with its scale and sums.
        expect(Number(wide)).toBeGreaterThan(1_600);
        await page.waitForFunction(() => document.querySelector('.printed') === null);
        await page.removeScriptToEvaluateOnNewDocument(identifier);
    });

    it('draws links where they are asked for: of the open page, of the set, between sections', async () => {
        const above = (): Promise<string> =>
            page.$eval('.picture .over canvas', (element) => (element as HTMLCanvasElement).toDataURL());
        const differs = (before: string): Promise<unknown> =>
            page.waitForFunction(
                (known) => (document.querySelector('.picture .over canvas') as HTMLCanvasElement).toDataURL() !== known,
                {},
                before,
            );
        await there('?links=none');
        const none = await above();
        await there('?links=sections');
        await waitForText(page, 'As wide as the links from section to section');
        await differs(none);
        await there('?links=set&set=depth+%3D+1');
        await waitForText(page, 'from or to the current set');
        await there('?page=/&links=none');
        const ring = await above();
        await there('?page=/');
        await differs(ring);
    });
});
