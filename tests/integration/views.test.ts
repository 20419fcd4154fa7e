/** What views show of a site whose every number is known, as the server sends them. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { VIEWS } from '$lib/core/views/areas.ts';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import { startApplication, type Application } from '../support/application.ts';
import { ask as askAt, type AskOptions, type HttpAnswer } from '../support/ask.ts';
import { until } from '../support/command.ts';
import { redirectTo, tableSite } from '../support/survey.ts';

let app: Application;
let standIn: StandIn;
let base = '';

/** Six pages in a, three in b: each of a links to all of b, none of b to a. */
const A = [1, 2, 3, 4, 5, 6].map((n) => `/a/${n}`);
const B = [1, 2, 3].map((n) => `/b/${n}`);
const link = (href: string): string => `<a href="${href}">to ${href}</a>`;
const SITE = tableSite({
    '/': [...A, '/noindex', '/moved', '/broken', '/file.pdf', '/away', '/closed/x'].map(link).join(' '),
    ...Object.fromEntries(A.map((path) => [path, `<title>${path}</title>${[...B, '/'].map(link).join(' ')}`])),
    ...Object.fromEntries(B.map((path) => [path, `<title>${path}</title>${B.map(link).join(' ')}`])),
    '/noindex': '<meta name="robots" content="noindex"><title>N</title>',
    '/moved': redirectTo('/a/1'),
    '/away': redirectTo('/a/2'),
    '/broken': { status: 500, body: 'oh' },
    '/file.pdf': { headers: { 'content-type': 'application/pdf' }, body: '%PDF-1.7' },
    '/robots.txt': { headers: { 'content-type': 'text/plain' }, body: 'User-agent: *\nDisallow: /closed/' },
});

const ask = (path: string, options?: AskOptions): Promise<HttpAnswer> => askAt(app.address, path, options);
/** A view as text with single spaces, tags and comments left out. */
const textOf = (html: string): string =>
    html
        .replace(/<!--[^]*?-->/g, '')
        .replace(/<(?:script|style)[^]*?<\/(?:script|style)>/g, '')
        .replace(/<[^>]+>/g, ' ')
        .replace(/\s+/g, ' ');

beforeAll(async () => {
    // The log tells what each request asks of the database.
    process.env.EDGEMAP_LOG = 'debug';
    app = await startApplication();
    delete process.env.EDGEMAP_LOG;
    standIn = await startStandIn(SITE);
    const made = await ask('/sites/new', {
        method: 'POST',
        headers: { 'content-type': 'application/x-www-form-urlencoded', origin: app.address, accept: 'text/html' },
        body: new URLSearchParams({
            start: `http://127.0.0.1:${standIn.port}/`,
            maxPages: '50',
            concurrency: '2',
            robots: 'obey',
            then: 'survey',
        }).toString(),
    });
    const [, site, survey] = /\/sites\/(\d+)\/(\d+)\//.exec(made.location) ?? [];
    base = `/sites/${site}/${survey}`;
    await until('the end of the survey', async () => {
        const { status, body } = await ask(`/api/v1/sites/${site}/surveys/${survey}/summary.json`);
        return status === 200 && (JSON.parse(body) as { ended: string | null }).ended !== null;
    });
});
afterAll(async () => {
    await app.close();
    await standIn.close();
});

describe('a view', () => {
    interface Answered {
        msg: string;
        route: string | null;
        queries: number;
        again: string[];
    }

    it.each(VIEWS.map(({ id }) => id))('%s asks nothing of the database twice', async (id) => {
        expect((await ask(`${base}/${id}?page=%2Fa%2F1`)).status).toBe(200);
        const route = `/sites/[site]/[survey]/${id}`;
        const told = await until('the line of the log', () =>
            readFileSync(join(app.data, 'log/web.log'), 'utf8')
                .trim()
                .split('\n')
                .map((line) => JSON.parse(line) as Answered)
                .filter((line) => line.msg === 'answered' && line.route === route)
                .at(-1),
        );
        expect(told.queries).toBeGreaterThan(2);
        expect(told.again).toEqual([]);
    });
});

describe('the Brief', () => {
    it('sets aside what is no page, each kind by its number', async () => {
        const text = textOf((await ask(`${base}/brief`)).body);
        expect(text).toContain('Set aside: 2 redirects , 1 failure , 1 other file , 1 not read.'.replaceAll(' ,', ','));
    });
});

describe('the flow from section to section', () => {
    it('is that of the links, from the row to the column', async () => {
        const { body } = await ask(`${base}/weight`);
        const flow = (from: string, to: string): number | null => {
            const found = new RegExp(`aria-label="([\\d,]+) links from ${from} to ${to},`).exec(body);
            return found && Number(found[1]);
        };
        expect(flow('a', 'b')).toBe(18);
        expect(flow('b', 'a')).toBe(0);
        expect(flow('b', 'b')).toBe(6);
    });

    it('marks a cell with less than a quarter of what an even spread would give, and no other', async () => {
        const { body } = await ask(`${base}/weight`);
        const cells = body.split('<td').flatMap((cell) => {
            const [, from, to] = /aria-label="[\d,]+ links from (\S+) to (\S+?), /.exec(cell) ?? [];
            return from === undefined ? [] : [{ name: `${from} ${to}`, isThin: /^[^>]*\bthin\b/.test(cell) }];
        });
        expect(cells.length).toBeGreaterThan(3);
        const marked = cells.filter(({ isThin }) => isThin).map(({ name }) => name);
        expect(marked).toContain('b a');
        expect(marked).not.toContain('a b');
    });
});

describe('the page sheet', () => {
    const sheetOf = async (path: string): Promise<string> => (await ask(`${base}/pages?page=${path}`)).body;
    /** How far the line of ink goes through seven gates of 56 each. */
    const inkOf = (html: string): number =>
        Number(/class="chain[^"]*"[^]*?<rect x="0" y="11" width="([\d.]+)"/.exec(html)?.[1]);

    it('lets the ink end at the gate where a page stops', async () => {
        // Gates: scope, robots, response, redirect, type, noindex, canonical; the posts stand at 28, 84, 140 and so on.
        expect(inkOf(await sheetOf('/noindex'))).toBe(28 + 5 * 56);
        expect(inkOf(await sheetOf('/broken'))).toBe(28 + 2 * 56);
        expect(inkOf(await sheetOf('/closed/x'))).toBe(28 + 1 * 56);
        expect(inkOf(await sheetOf('/a/1'))).toBe(392);
    });

    it('leads to the page before and the page after in the set', async () => {
        const html = await sheetOf('/a/3');
        const pageOf = (label: string): string | undefined =>
            new RegExp(`href="[^"]*[?&;]page=([^"&]+)[^"]*"[^>]*aria-label="${label}"`).exec(html)?.[1];
        expect(pageOf('Page before in the set')).toBe('/a/2');
        expect(pageOf('Next page in the set')).toBe('/a/4');
    });
});

describe('the depth profile', () => {
    it('draws a set beside the whole, as wide as its share of the longest row', async () => {
        const { body } = await ask(`${base}/reach?set=${encodeURIComponent('section is b')}`);
        // Depth 1 has the six of a, noindex and what redirects lead to: seven pages; depth 2 has the three of b.
        const widths = [...body.matchAll(/class="own[^"]*"\s+style="[^"]*width: ?([\d.]+)%/g)].map(([, width]) =>
            Number(width),
        );
        expect(widths).toHaveLength(1);
        expect(widths[0]).toBeCloseTo((3 / 7) * 100, 3);
    });
});
