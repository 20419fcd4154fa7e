/** The line of the set: typed, completed, shown, kept, and taken along. */
import { parse } from 'csv-parse/sync';
import type { Page } from 'puppeteer-core';
import { SaxesParser } from 'saxes';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import * as answers from '../../demo/answers.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import type { Application } from '../support/application.ts';
import { clickText, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { type Row } from '../support/command.ts';
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

describe('sets', () => {
    const api = '/api/v1/sites/1/surveys/1';
    const show = async (line: string): Promise<void> => {
        await page.click('#set-text', { count: 3 });
        await page.keyboard.press('Backspace');
        await page.type('#set-text', line);
        await page.keyboard.press('Enter');
    };
    const sizeIn = async (): Promise<number> =>
        Number(/([\d,]+) of/.exec(await textOf(page, '.set-bar [role=status]'))?.[1]?.replace(',', ''));
    const total = (path: string): Promise<number> =>
        page.evaluate(
            async (from) => ((await (await fetch(from)).json()) as { total: number }).total,
            `${api}/${path}`,
        );

    /** Waits until the first option shown is this one. */
    const offered = (wanted: string) =>
        page.waitForFunction(
            (name) => {
                const option = document.querySelector('#set-options:not([hidden]) [role=option]');
                return option?.firstElementChild?.textContent === name;
            },
            {},
            wanted,
        );

    it('completes names and values, by the keyboard alone', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.keyboard.press('/');
        await page.keyboard.type('sec');
        await offered('section');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        await page.keyboard.type('is gui');
        await offered('guides');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Tab');
        await page.keyboard.press('Escape');
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => location.search.includes('set=section+is+guides'));
        await waitForText(page, 'URLs in this set.');
        expect(await sizeIn()).toBe(await total('pages?set=section+is+guides'));
        expect(await sizeIn()).toBeGreaterThan(20);
    });

    it('takes the option chosen for all that was typed, when the answer for it is still under way', async () => {
        // Answers for one letter come at once; those for more do not come at all.
        const slow = await page.evaluateOnNewDocument(() => {
            const plain = window.fetch;
            window.fetch = (input, init) =>
                /complete\?.*text=\w{2}/.test(String(input)) ? new Promise<Response>(() => {}) : plain(input, init);
        });
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        await page.keyboard.press('/');
        await page.keyboard.type('s');
        await page.waitForSelector('#set-options:not([hidden]) [role=option] + [role=option]');
        await page.keyboard.type('ec');
        await offered('section');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        expect(await page.$eval('#set-text', (input) => (input as HTMLInputElement).value)).toBe('section ');
        await page.removeScriptToEvaluateOnNewDocument(slow.identifier);
    });

    it('marks what it cannot read, says what was expected, and shows nothing else', async () => {
        const before = page.url();
        await show('depht > 3');
        await waitForText(page, 'Is it "depth"?');
        expect(await textOf(page, '.mirror mark')).toBe('depht');
        expect(page.url()).toBe(before);
        await page.goto(`${app.address}/sites/1/1/pages?set=depth+%3E`);
        await waitForText(page, 'Here a number is expected.');
    });

    it('tells the size of a line before it is shown, worked out in the browser on the packed survey', async () => {
        const lines = ['depth > 2', 'title has "saw"', 'links to (section is guides) with anchor "here"', 'orphan'];
        for (const line of lines) {
            const answer = await fetch(
                `${app.address}/api/v1/sites/1/surveys/1/pages?count=1&${new URLSearchParams({ set: line })}`,
            );
            const { total } = z.object({ total: z.number() }).parse(await answer.json());
            await page.goto(`${app.address}/sites/1/1/pages`);
            await page.click('#set-text');
            const asked: string[] = [];
            const note = (request: { url(): string }): void => void asked.push(new URL(request.url()).pathname);
            page.on('request', note);
            await page.type('#set-text', line);
            await page.waitForFunction(
                (wanted) =>
                    (document.querySelector('.set-bar [role=status]') as HTMLElement).innerText.includes(wanted),
                {},
                `would be ${total.toLocaleString('en')} of`,
            );
            page.off('request', note);
            // No set was asked of the server: it gave what may stand in the line, and the bytes of the survey.
            expect(asked.filter((path) => !/\/(complete|packed\/\w+)$|\.js$/.test(path))).toEqual([]);
            expect(page.url()).not.toContain('set=');
        }
        // What the site says of its pages is not in those bytes: nothing is told, and nothing wrong.
        const counted = await page.evaluateOnNewDocument(() => {
            const Plain = window.Worker;
            window.Worker = class extends Plain {
                constructor(script: string | URL, options?: WorkerOptions) {
                    super(script, options);
                    this.addEventListener('message', () => (document.documentElement.dataset.answers = 'some'));
                }
            };
        });
        await page.goto(`${app.address}/sites/1/1/pages`);
        await page.type('#set-text', 'priority = 1');
        // The worker has answered, and had nothing to tell.
        await page.waitForFunction(() => document.documentElement.dataset.answers === 'some');
        await page.removeScriptToEvaluateOnNewDocument(counted.identifier);
        expect(await textOf(page, '.set-bar [role=status]')).not.toContain('would be');
    });

    it('inverts a set, and goes back and forward through those shown', async () => {
        await page.goto(`${app.address}/sites/1/1/pages`, { waitUntil: 'networkidle2' });
        const all = await sizeIn();
        await show('links to (error)');
        await page.waitForFunction(
            (whole) => !document.querySelector('.set-bar [role=status]')?.textContent?.startsWith(whole),
            {},
            all.toLocaleString('en'),
        );
        await page.waitForFunction(() => location.search.includes('links+to'));
        const some = await sizeIn();
        expect(some).toBeGreaterThan(0);
        await clickText(page, 'Invert', '.set-bar a');
        await page.waitForFunction(() => location.search.includes('not+links'));
        await page.waitForFunction(
            (rest) => document.querySelector('.headline')?.textContent?.includes(rest),
            {},
            `${(all - some).toLocaleString('en')} URLs`,
        );
        await page.goBack();
        await page.waitForFunction(
            () => document.querySelector<HTMLInputElement>('#set-text')?.value === 'links to (error)',
        );
        await page.goForward();
        await page.waitForFunction(() =>
            document.querySelector<HTMLInputElement>('#set-text')?.value.startsWith('not '),
        );
    });

    it('keeps a set under a name, shows it by that, and forgets it', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=orphan`, { waitUntil: 'networkidle2' });
        await page.click('details.sets summary');
        await page.type('[aria-label="Name of the current set"]', 'My "lost" ones');
        await clickText(page, 'Save', '.sets button');
        await waitForText(page, 'My "lost" ones');
        await page.goto(`${app.address}/sites/1/1/hosts`, { waitUntil: 'networkidle2' });
        await page.click('details.sets summary');
        await clickText(page, 'My "lost" ones', '.sets a');
        await waitForText(page, `${answers.OLD_SECTION.length + answers.ORPHAN_GUIDES.length} URLs in this set.`);
        await page.click('details.sets summary');
        await page.click('[aria-label^="Forget the set"]');
        await waitForText(page, 'No set is saved yet.');
    });

    it('shows the links from and to a set, with their lines', async () => {
        await page.goto(`${app.address}/sites/1/1/links?set=orphan&side=to`, { waitUntil: 'networkidle2' });
        const links = await total('links?set=orphan&side=to');
        await waitForText(page, `${links} links to`);
        expect(await page.$$eval('.body [role=row]', (rows) => rows.length)).toBeGreaterThan(5);
        const [first] = await page.$$eval('.body [role=row]', (rows) =>
            rows.map((row) => [...row.querySelectorAll('[role=cell]')].map((cell) => cell.textContent?.trim() ?? '')),
        );
        // Region and line of the first link: it stands on that line of the page's source.
        const path = answers.OLD_SECTION.toSorted()[0]!;
        const { body } = fernhollow()({ scheme: 'https', host: 'www.fernhollow-tools.example', path });
        expect(String(body).split('\n')[Number(first?.[5]) - 1]).toContain('<a href');
        await page.select('.choices select', 'from');
        await waitForText(page, 'links from');
        await clickText(page, 'To', '.head button');
        await page.waitForFunction(() => location.search.includes('order=target'));
        const csv = await page.evaluate(async () =>
            (await fetch(document.querySelector<HTMLAnchorElement>('.take a')!.href)).text(),
        );
        const rows = parse(csv, { columns: true }) as Row[];
        expect(rows).toHaveLength(await total('links?set=orphan&side=from'));
    });

    it('takes a priority, and knows its pages by it', async () => {
        await page.goto(`${app.address}/sites/1/1/pages?set=%22planing-end%22`, { waitUntil: 'networkidle2' });
        await page.waitForSelector('.page-link');
        await page.click('.page-link');
        await page.waitForSelector('[id^="sheet-priority"]');
        await page.select('[id^="sheet-priority"]', '1');
        await page.waitForFunction(
            async () =>
                (
                    (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=priority+%3D+1')).json()) as {
                        total: number;
                    }
                ).total === 1,
        );
        await page.select('[id^="sheet-priority"]', '');
        await page.waitForFunction(
            async () =>
                (
                    (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=priority+%3D+1')).json()) as {
                        total: number;
                    }
                ).total === 0,
        );
    });

    it('gives the pages and links of a set as a graph', async () => {
        const text = await page.evaluate(async () =>
            (await fetch('/api/v1/sites/1/surveys/1/graph.graphml?set=orphan')).text(),
        );
        const graph = new XmlTags(text);
        expect(graph.count('node')).toBe(answers.OLD_SECTION.length + answers.ORPHAN_GUIDES.length);
        // Each page of the old section links to the others, and nothing else is linked among the orphans.
        expect(graph.count('edge')).toBe(answers.OLD_SECTION.length * (answers.OLD_SECTION.length - 1));
    });
});

/** Elements of an XML document that must be well-formed. */
class XmlTags {
    readonly #tags: string[] = [];

    constructor(text: string) {
        const parser = new SaxesParser({ xmlns: true });
        parser.on('opentag', (tag) => this.#tags.push(tag.name));
        parser.on('error', (error) => {
            throw error;
        });
        parser.write(text).close();
    }

    count(name: string): number {
        return this.#tags.filter((tag) => tag === name).length;
    }
}
