/** What links say, and where the missing ones belong: from an orphan to taken links with the keys alone. */
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
const anchor = (): Promise<string> =>
    page.$$eval('[data-sentence] .anchor', (words) => words.map((word) => word.textContent).join(''));
const press = async (...keys: Parameters<Page['keyboard']['press']>[0][]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key);
};
const anchorIs = (words: string): Promise<unknown> =>
    page.waitForFunction(
        (said) =>
            [...document.querySelectorAll('[data-sentence] .anchor')].map((word) => word.textContent).join('') === said,
        {},
        words,
    );

describe('Proposals', () => {
    it('lead from an orphan to three taken links by keys alone', async () => {
        await there('proposals?of=/guides/cutting-glass-bottles/');
        await anchorIs('cut glass bottle');
        // The words grow and shrink at either end, and stop at the edge of their run.
        await press('ArrowLeft');
        await anchorIs('cut glass');
        await press('ArrowRight');
        await page.keyboard.down('Shift');
        await press('ArrowLeft');
        await anchorIs('A cut glass bottle');
        await press('ArrowRight');
        await page.keyboard.up('Shift');
        await anchorIs('cut glass bottle');
        await press('Enter');
        await waitForText(page, '1 taken');
        await anchorIs('cut a glass bottle');
        await press('Enter');
        await waitForText(page, '2 taken');
        await press('Enter');
        await waitForText(page, '3 taken');
        await waitForText(page, 'No more sentences.');
        // It has left the open targets, and waits for the site.
        await page.waitForFunction(() =>
            /Taken\s+not yet on the site\s+Cutting glass bottles\s+3 taken/.test(
                document.querySelector<HTMLElement>('[aria-label="Targets"]')?.innerText ?? '',
            ),
        );
        await there('laid-aside');
        const list = await textOf(page);
        expect(list).toContain('3 changes on 3 pages wait for a draft.');
        expect(list).toMatch(/new link “cut glass bottle” to \/guides\/cutting-glass-bottles\/ not yet on the site/);
    });

    it('are refused for good, put off to the end, and the next target is a key away', async () => {
        await there('proposals?of=/guides/mending-a-bicycle-wheel/');
        await anchorIs('mending a bicycle wheel');
        await press('n');
        await anchorIs('bicycle wheel is mended');
        await press('x');
        await anchorIs('mending the wheel of the bicycle');
        await page.reload({ waitUntil: 'networkidle2' });
        await anchorIs('mending a bicycle wheel');
        await press('l');
        await anchorIs('mending the wheel of the bicycle');
        await press('n');
        // One was refused: after the last comes the first again.
        await anchorIs('mending the wheel of the bicycle');
        await press('m');
        await page.waitForFunction(() => !location.search.includes('bicycle'));
    });

    it('offer another page for the same words, and mind what is typed into fields', async () => {
        await there('proposals?of=/guides/soldering-copper-pipe/');
        await anchorIs('copper pipe soldered');
        await press('t');
        await page.waitForSelector('[aria-label="Other target"] button');
        await clickText(page, 'leave it as it is', 'button');
        await page.type('input[aria-label="Add a word to the subject"]', 'xln');
        expect(await anchor()).toBe('copper pipe soldered');
        await press('Enter');
        await waitForText(page, 'as you said it');
        await clickText(page, 'as worked out again', 'button');
        await page.waitForFunction(() => !document.body.innerText.includes('as you said it'));
    });

    it('go by subjects that are brought as a list, and say of each line what is wrong with it', async () => {
        await there('proposals?of=/guides/soldering-copper-pipe/');
        await anchorIs('copper pipe soldered');
        await page.$$eval('details', (folds) => folds.forEach((fold) => (fold.open = true)));
        await page.type('textarea[aria-label^="Subjects"]', '/guides/soldering-copper-pipe/, weeps\nsoldering, flux');
        await waitForText(page, 'Line 2 is left out: it begins with no address');
        await clickText(page, 'Keep 1 subject', 'button');
        await waitForText(page, 'Kept for 1 page.');
        await waitForText(page, 'as you said it');
        await anchorIs('weeps');
    });

    it('are given for a text that is no page yet', async () => {
        await there('proposals');
        await page.$$eval('details', (folds) => folds.forEach((fold) => (fold.open = true)));
        await page.type(
            'textarea[aria-label^="Text of the page"]',
            'We sat in the yard and spoke of soldering copper pipe until it rained.',
        );
        await clickText(page, 'Look for links', 'button');
        await waitForText(page, '“soldering copper pipe”');
    });
});

describe('The subject of a set', () => {
    it('is said for all its pages at once, told as such on each, and taken back', async () => {
        await there(`proposals?set=${encodeURIComponent('section is workshops')}`);
        await waitForText(page, 'as worked out');
        await clickText(page, 'Subjects of sets all pages of this set at once', 'summary');
        const field = 'details[open] input[aria-label="Add a word to the subject"]';
        await page.type(field, 'repairing');
        await page.keyboard.press('Enter');
        await waitForText(page, 'as you said it of a set');
        await there('proposals?of=/workshops/');
        await waitForText(page, 'as you said it of a set');
        // Said of a set it is taken back there, not at the page.
        expect(await page.$$eval('[aria-label="Target"] button.plain-set', (buttons) => buttons.length)).toBe(0);
        await clickText(page, 'Subjects of sets 1 said', 'summary');
        await clickText(page, 'as worked out again', 'details[open] button');
        await waitForText(page, 'as worked out');
        await page.waitForFunction(() => !document.body.innerText.includes('of a set'));
    });
});

describe('All targets', () => {
    it('are looked through behind, and stand in the order of what was found', async () => {
        await there('proposals');
        // Asked for by the page itself: from here on it listens.
        await waitForText(page, 'Why it needs links');
        const all = await page.$$eval('section[aria-label="All targets"] button', (buttons) => buttons[0]!.textContent);
        const [, total] = /Look through\s+all (\d+)/.exec(all)!;
        await clickText(page, `Look through all ${total}`, 'button');
        await waitForText(page, `of ${total} targets`);
        await waitForText(page, 'Look again through');
        await waitForText(page, ' found · ');
        await clickText(page, 'Likeliest first', 'a');
        await waitForText(page, 'likeliest first');
        const found = await page.$$eval('section[aria-label="Targets"] .target', (rows) =>
            rows.map((row) => Number(/(\d+) found/.exec(row.textContent)?.[1] ?? 0) > 0),
        );
        // Those of which nothing speaks stand last.
        expect(found).toContain(true);
        expect(found.indexOf(false) === -1 || found.lastIndexOf(true) < found.indexOf(false)).toBe(true);
    });
});

describe('Profiles', () => {
    it('tell what calls a page, and lay a new wording aside for the links that are chosen', async () => {
        await there('anchors?of=/visit/');
        expect(await textOf(page, '[aria-label="Profile of one page"]')).toContain('“click here” says nothing of it');
        await page.click('.anchor .words');
        await waitForText(page, '8 of 8 links chosen');
        await page.click('.sentences li:first-child input');
        await waitForText(page, '7 of 8 links chosen');
        await page.type('.act input', 'how to visit us');
        await clickText(page, 'Lay aside', 'button');
        await waitForText(page, '“how to visit us” re-worded, laid aside, 7 links');
        await there('laid-aside');
        expect((await textOf(page)).match(/re-word “click here” “how to visit us”/g)).toHaveLength(7);
        await page.click('section[aria-label*="/help/"] button');
        await page.waitForFunction(() => document.body.innerText.match(/“how to visit us”/g)?.length === 6);
    });

    it('lead from their numbers to the links, and go by the site’s own list of words that say nothing', async () => {
        await there('anchors');
        const [, said] = /(\d+) links say nothing/.exec(await textOf(page, '.headline'))!;
        await clickText(page, `${said} links`, 'a');
        await waitForText(page, `${said} links of this site.`);
        await there('wording');
        await page.type('.words input', 'looking after it');
        await waitForText(page, 'Would catch');
        const [, caught] = /Would catch (\d+) links/.exec(await textOf(page))!;
        await clickText(page, 'Says nothing', 'form button');
        await page.waitForSelector('button[aria-label="Take back what was said of “looking after it”"]');
        await there('anchors');
        await waitForText(page, `${Number(said) + Number(caught)} links say nothing`);
        await there('wording');
        await page.click('button[aria-label="Take back what was said of “looking after it”"]');
        await page.waitForSelector('button[aria-label="“looking after it” says nothing"]');
    });

    it('tell one wording that calls several pages', async () => {
        await there('same-words');
        await waitForText(page, 'call more than one page');
        expect(await textOf(page, '[aria-label="One wording, many pages"]')).toMatch(
            /“Opening hours” 3 2 \/branches\/ 1 \/visit\/hours\/ /,
        );
    });
});
