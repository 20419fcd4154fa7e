/** A page is named by its URL wherever people or programs meet it: no row number of a survey leaves the process. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from '../support/application.ts';
import { ask as askAt, type AskOptions, type HttpAnswer } from '../support/ask.ts';
import { until } from '../support/command.ts';

let app: Application;
let server: Server;
let origin = '';
/** Ends of answers that are held back, and how many were asked for. */
let release: () => void = () => undefined;
let isHeld = false;
let isAsked = false;
let more: string[] = [];

const page = (title: string, links: string[]): string =>
    `<!doctype html><title>${title}</title><h1>${title}</h1>${links.map((href) => `<a href="${href}">to ${href}</a>`).join(' ')}`;

const ask = (path: string, options?: AskOptions): Promise<HttpAnswer> => askAt(app.address, path, options);

const FORM = { 'content-type': 'application/x-www-form-urlencoded', accept: 'text/html' };

/** Begins a survey at a form's address; its address. */
async function survey(at: string): Promise<string> {
    const made = await ask(at, {
        method: 'POST',
        headers: { ...FORM, origin: app.address },
        body: new URLSearchParams({
            start: `${origin}/`,
            maxPages: '100',
            concurrency: '2',
            robots: 'obey',
            then: 'survey',
        }).toString(),
    });
    expect(made.location, made.body.slice(0, 400)).toMatch(/\/sites\/\d+\/\d+\//);
    return /\/sites\/\d+\/\d+/.exec(made.location)![0];
}
const api = (at: string): string => at.replace(/^\/sites\/(\d+)\/(\d+)/, '/api/v1/sites/$1/surveys/$2');
const end = (at: string): Promise<unknown> =>
    until('the end of the survey', async () => {
        const { status, body } = await ask(`${api(at)}/summary.json`);
        return status === 200 && (JSON.parse(body) as { ended: string | null }).ended !== null;
    });
const titleOfSheet = (html: string): string | undefined =>
    /aria-label="Page sheet"[^]*?<h2[^>]*>\s*([^<]*?)\s*<\/h2>/.exec(html)?.[1];

beforeAll(async () => {
    app = await startApplication();
    server = createServer((request, response) => {
        const path = request.url ?? '/';
        const send = (body: string): void => {
            response.writeHead(200, { 'content-type': 'text/html' });
            response.end(body);
        };
        if (path === '/') send(page('Home', ['/m', '/gone', 'https://other.example/']));
        else if (path === '/z/gate') {
            isAsked = true;
            const answer = (): void => send(page('Gate', more));
            if (isHeld) release = answer;
            else answer();
        } else if (/^\/(?:m|a\d)$/.test(path)) send(page(`Page ${path}`, ['/', '/m', '/z/gate']));
        else {
            response.writeHead(404);
            response.end('no');
        }
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
    await app.close();
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
});

describe('a page is named by its URL', () => {
    let first = '';

    it('while the survey grows: an open sheet stays on its page', async () => {
        // What is behind the gate comes before /m in the order of URLs: every row number changes.
        more = ['/a1', '/a2', '/a3'];
        isHeld = true;
        first = await survey('/sites/new');
        await until('the gate to be asked', () => isAsked);
        const sheet = (): Promise<HttpAnswer> => ask(`${first}/pages?page=/m`);
        await until('the page to be known', async () => titleOfSheet((await sheet()).body) === 'Page /m', 60_000);
        isHeld = false;
        release();
        await end(first);
        expect(titleOfSheet((await sheet()).body)).toBe('Page /m');
        // A URL that is not of the start page's origin is named in full.
        expect(titleOfSheet((await ask(`${first}/pages?page=${origin}/a2`)).body)).toBe('Page /a2');
    });

    it('across surveys: the same address in the next one, and links between them', async () => {
        more = ['/a1', '/a2', '/a3', '/a0', '/a4'];
        const second = await survey(`${first.replace(/\/\d+$/, '')}/new-survey`);
        await end(second);
        const { body } = await ask(`${second}/reach?page=/m`);
        expect(titleOfSheet(body)).toBe('Page /m');
        // "This page in survey 1", and the picker of surveys: the view and the page go along.
        const hrefs = [...body.matchAll(/href="([^"]*)"/g)].map(([, href]) => href!.replaceAll('&amp;', '&'));
        expect(hrefs.filter((href) => href === `${first}/reach?page=/m`)).toHaveLength(2);
        expect(titleOfSheet((await ask(`${first}/reach?page=/m`)).body)).toBe('Page /m');
        // A page that came since.
        expect(titleOfSheet((await ask(`${second}/pages?page=/a4`)).body)).toBe('Page /a4');
        const unknown = await ask(`${first}/pages?page=/a4`);
        expect(unknown.status).toBe(200);
        expect(titleOfSheet(unknown.body)).toBe('Not known here');
        expect(unknown.body).toContain(`href="${second}/pages?page=/a4"`);
        expect((await ask(`${first}/source?of=/a4`)).status).toBe(404);
        expect((await ask(`${first}/source?of=/m`)).body).toContain('Source of');
    });

    it('and never by a row number, in no view and no answer', async () => {
        await ask(`${api(first).replace(/\/surveys.*$/, '')}/priorities`, {
            method: 'POST',
            headers: { origin: app.address, 'content-type': 'application/json' },
            body: JSON.stringify({ by: 'set', subject: 'depth = 1', value: 1 }),
        });
        await ask(`${api(first).replace(/\/surveys.*$/, '')}/notes`, {
            method: 'POST',
            headers: { origin: app.address, 'content-type': 'application/json' },
            body: JSON.stringify({ about: 'page', subject: `${origin}/m`, text: 'look' }),
        });
        const views = ['brief', 'reach', 'weight', 'pages', 'links', 'progress', 'completeness', 'orphans'];
        views.push('templates', 'sitemaps', 'hosts', 'links-in', 'evidence', 'structure', 'source');
        let seen = 0;
        for (const view of views) {
            const query = `?page=/m&pin=/&of=/m`;
            const { status, body } = await ask(`${first}/${view}${query}`);
            expect(status, view).toBe(200);
            for (const [, key] of body.matchAll(/href="[^"]*[?&;](?:page|pin|of)=([^"&]*)/g)) {
                seen++;
                expect(key, view).toMatch(/^(?:\/|http)/);
            }
            const data = await ask(`${first}/${view}/__data.json${query}`);
            expect(data.status, view).toBe(200);
            expect(data.body, view).not.toMatch(/"(?:node|pageBlock)":/);
        }
        expect(seen).toBeGreaterThan(50);
        for (const answer of [
            'pages?count=100',
            'links?kind=any&count=100',
            'measures',
            `path?from=${origin}/&to=${origin}/m`,
        ]) {
            const { status, body } = await ask(`${api(first)}/${answer}`);
            expect(status, answer).toBe(200);
            expect(body, answer).not.toMatch(/"(?:node|nodes|pageBlock)":/);
        }
        interface Rows {
            rows: { url: string; source: string; target: string | null; record: Record<string, unknown> }[];
        }
        const pages = JSON.parse((await ask(`${api(first)}/pages?columns=title&count=100`)).body) as Rows;
        expect(pages.rows.map(({ url }) => url)).toContain(`${origin}/m`);
        const links = JSON.parse((await ask(`${api(first)}/links?kind=any&count=100`)).body) as Rows;
        for (const { source, target, record } of links.rows) {
            expect(source).toBe(record.source);
            expect(target).toBe(String(record.target).startsWith('https://other') ? null : record.target);
        }
        expect(links.rows.some(({ target }) => target === null)).toBe(true);
    });
});
