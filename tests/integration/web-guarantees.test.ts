/** What the application promises to whoever asks it: by whom, how much, in what words, and with what headers. */
import { connect } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import { PACKED_VERSION } from '$lib/core/packed/sections.ts';
import { startApplication, type Application } from '../support/application.ts';
import { ask as askAt, type AskOptions, type HttpAnswer } from '../support/ask.ts';
import { until } from '../support/command.ts';
import { tableSite } from '../support/survey.ts';

let app: Application;
let standIn: StandIn;
let api = '';
beforeAll(async () => {
    app = await startApplication();
    standIn = await startStandIn(
        tableSite({
            '/': '<title>=HYPERLINK("x")</title><a href="/a">a</a><a href="/b">b</a>',
            '/a': '<title>A</title><a href="/">home</a>',
            '/b': '<title>B</title>',
        }),
    );
    const made = await ask('/sites/new', {
        method: 'POST',
        headers: { ...FORM, origin: app.address, accept: 'text/html' },
        body: new URLSearchParams({
            start: `http://127.0.0.1:${standIn.port}/`,
            maxPages: '50',
            concurrency: '2',
            robots: 'obey',
            then: 'survey',
        }).toString(),
    });
    expect(made.status, made.body.slice(0, 300)).toBe(303);
    const [, site, survey] = /\/sites\/(\d+)\/(\d+)\//.exec(String(made.headers.location)) ?? [];
    api = `/api/v1/sites/${site}/surveys/${survey}`;
    await until('the end of the survey', async () => {
        const { status, body } = await ask(`${api}/summary.json`);
        return status === 200 && (JSON.parse(body) as { ended: string | null }).ended !== null;
    });
});
afterAll(async () => {
    await app.close();
    await standIn.close();
});

const FORM = { 'content-type': 'application/x-www-form-urlencoded' };
const JSON_TYPE = { 'content-type': 'application/json' };

const ask = (path: string, options?: AskOptions): Promise<HttpAnswer> => askAt(app.address, path, options);
const messageOf = ({ headers, body }: HttpAnswer): string => {
    expect(headers['content-type']).toMatch(/^application\/json/);
    return (JSON.parse(body) as { message: string }).message;
};

describe('who may ask', () => {
    it('is not another site, whatever it asks for and however', async () => {
        for (const site of ['cross-site', 'same-site']) {
            for (const path of [`${api}/links.csv`, `${api}/pages`, '/sites', '/mark.svg']) {
                const headers = { 'sec-fetch-site': site, 'sec-fetch-mode': 'no-cors' };
                expect((await ask(path, { headers })).status, `${site} ${path}`).toBe(403);
            }
        }
        for (const site of ['same-origin', 'none'])
            expect((await ask('/sites', { headers: { 'sec-fetch-site': site } })).status).toBe(200);
    });

    it('is a reader who follows a link from elsewhere, once he says so', async () => {
        const headers = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
        const answer = await ask('/sites?x="><script>alert(1)</script>', { headers });
        expect(answer.status).toBe(403);
        expect(answer.body).toContain('Open it in Edge Map');
        expect(answer.body).not.toContain('<script>');
        // An export is set off by nobody else's page, not even in a window of its own.
        expect((await ask(`${api}/links.csv`, { headers })).headers['content-type']).toBe('application/json');
    });

    it.each(['POST', 'PUT', 'PATCH', 'DELETE'])('changes nothing from another origin with %s', async (method) => {
        const answer = await ask(`${api}/stop`, { method, headers: { origin: 'https://evil.example' } });
        expect(answer.status).toBe(403);
        expect(messageOf(answer)).toContain('another site');
    });

    it('may use each of our own names, for forms too', async () => {
        const { port } = new URL(app.address);
        for (const name of ['localhost', '127.0.0.1']) {
            const origin = `http://${name}:${port}`;
            const answer = await ask('/sites/new', {
                method: 'POST',
                headers: { ...FORM, host: `${name}:${port}`, origin },
                body: new URLSearchParams({ start: 'nonsense:', then: 'survey' }).toString(),
            });
            // Read and refused for what it says, not for whence it comes.
            expect(answer.status, name).not.toBe(403);
            expect(answer.body, name).not.toContain('Cross-site');
        }
    });
});

describe('every answer', () => {
    it('has the headers that keep others out', async () => {
        for (const path of [
            '/sites',
            '/mark.svg',
            `${api}/pages`,
            `${api}/pages.csv`,
            '/nowhere',
            `${api}/pages?set=(`,
        ]) {
            expect((await ask(path)).headers, path).toMatchObject({
                'x-content-type-options': 'nosniff',
                'x-frame-options': 'DENY',
                'referrer-policy': 'same-origin',
                'cross-origin-opener-policy': 'same-origin',
                'cross-origin-resource-policy': 'same-origin',
                'permissions-policy': 'camera=(), microphone=(), geolocation=()',
            });
        }
    });

    it('as a page has the whole policy', async () => {
        const policy = String((await ask('/sites')).headers['content-security-policy']).replace(
            /'nonce-[^']+'/g,
            "'nonce'",
        );
        expect(
            Object.fromEntries(
                policy
                    .split(';')
                    .map((part) => part.trim().split(' '))
                    .map(([name, ...values]) => [name, values.join(' ')]),
            ),
        ).toEqual({
            'default-src': "'none'",
            'script-src': "'self' 'nonce'",
            'style-src': expect.stringMatching(/^'self'(?: 'nonce')?$/) as string,
            'style-src-attr': "'unsafe-inline'",
            'img-src': "'self' data:",
            'font-src': "'self'",
            'connect-src': "'self'",
            'worker-src': "'self'",
            'form-action': "'self'",
            'base-uri': "'none'",
            'frame-ancestors': "'none'",
        });
    });

    it('names a file by what names may hold', async () => {
        const { headers } = await ask(`${api}/pages.csv`);
        expect(headers['content-disposition']).toMatch(/^attachment; filename="[a-zA-Z0-9.-]+"$/);
    });
});

describe('what is too much', () => {
    it('is a form of more than a megabyte, or one whose length nobody says', async () => {
        const body = 'x'.repeat(1_000_001);
        expect((await ask(`${api}/pages`, { method: 'POST', headers: JSON_TYPE, body })).status).toBe(413);
        const chunked = await ask(`${api}/pages`, {
            method: 'POST',
            headers: { ...JSON_TYPE, 'transfer-encoding': 'chunked' },
            body: '{}',
        });
        expect(chunked.status).toBe(413);
        expect((await ask(`${api}/pages`, { method: 'POST', headers: JSON_TYPE, body: '{}' })).status).toBe(200);
    });

    it.each([
        [17_000, 414],
        [120_000, 414],
        [200_000, 431],
    ])('is an address of %i characters: %i, with a sentence', async (length, status) => {
        const answer = await ask(`${api}/pages?set=${'a'.repeat(length)}`);
        expect(answer.status).toBe(status);
        expect(messageOf(answer)).toMatch(/^This address is longer than .*POST/);
    });

    it('is not a set of 17,000 characters in a body', async () => {
        const set = [...Array.from({ length: 900 }, (_, n) => `path is "/${n}/x"`), 'path is "/a"'].join(' or ');
        expect(set.length).toBeGreaterThan(16_000);
        const answer = await ask(`${api}/pages`, {
            method: 'POST',
            headers: JSON_TYPE,
            body: JSON.stringify({ set, count: 5 }),
        });
        expect(answer.status, answer.body.slice(0, 300)).toBe(200);
        expect(JSON.parse(answer.body)).toMatchObject({ total: 1, rows: [{ record: { status: 200 } }] });
        const links = await ask(`${api}/links`, {
            method: 'POST',
            headers: JSON_TYPE,
            body: JSON.stringify({ set, side: 'from' }),
        });
        expect(JSON.parse(links.body)).toMatchObject({ total: 1 });
        expect((await ask(`${api}/links`, { method: 'POST', headers: JSON_TYPE, body: '[]' })).status).toBe(400);
    });

    it('is no request at all', async () => {
        const said = await new Promise<string>((resolve) => {
            const socket = connect(Number(new URL(app.address).port), '127.0.0.1', () =>
                socket.write('nonsense\r\n\r\n'),
            );
            let text = '';
            socket.on('data', (piece: Buffer) => (text += piece.toString()));
            socket.on('close', () => resolve(text));
        });
        expect(said).toMatch(/^HTTP\/1\.1 400 Bad Request/);
        expect(said).toContain('{"message":');
    });
});

describe('the API', () => {
    it.each(['text/html', 'text/csv', '*/*', 'application/json'])(
        'tells what is wrong as JSON to who likes %s',
        async (accept) => {
            const broken = encodeURIComponent('page and (');
            for (const path of [
                'pages',
                'links',
                'pages.csv',
                'pages.ndjson',
                'links.ndjson',
                'graph.graphml',
                'links.csv',
            ]) {
                const answer = await ask(`${api}/${path}?side=from&set=${broken}`, { headers: { accept } });
                expect(answer.status, path).toBe(400);
                expect(JSON.parse(answer.body), path).toMatchObject({
                    trouble: { at: 10, say: expect.any(String) as string },
                });
                expect(messageOf(answer)).not.toBe('');
            }
            for (const path of ['/api/v1/nothing', '/api/v1/sites/99/surveys/1/pages', `${api}/packed/nothing`]) {
                const answer = await ask(path, { headers: { accept } });
                expect(answer.status, path).toBe(404);
                messageOf(answer);
            }
        },
    );

    it('saves a set that speaks of a column this survey does not have, and none that cannot be read', async () => {
        const sets = api.replace(/\/surveys.*/, '/sets');
        const save = (expression: string): Promise<HttpAnswer> =>
            ask(sets, { method: 'POST', headers: JSON_TYPE, body: JSON.stringify({ name: 'one', expression }) });
        expect((await save('visits > 100')).status).toBe(200);
        expect((await save('page and (')).status).toBe(400);
    });

    it('refuses to stop or pause what has ended', async () => {
        for (const what of ['stop', 'pause']) {
            const answer = await ask(`${api}/${what}`, { method: 'POST' });
            expect(answer.status).toBe(409);
            expect(messageOf(answer)).toBe('The survey has ended already.');
        }
    });

    it('guards cells of its CSV against formulas', async () => {
        const { body } = await ask(`${api}/pages.csv?columns=title`);
        expect(body).toContain(`"'=HYPERLINK(""x"")"`);
    });
});

describe('a packed part', () => {
    it('is told by its content: another content, another tag', async () => {
        const tags = new Set<string>();
        for (const part of ['core', 'text', 'links']) {
            const { headers, status } = await ask(`${api}/packed/${part}`);
            expect(status).toBe(200);
            const tag = String(headers.etag);
            tags.add(tag);
            expect(tag).toMatch(new RegExp(`^"${PACKED_VERSION.toString(36)}-`));
            expect((await ask(`${api}/packed/${part}`, { headers: { 'if-none-match': tag } })).status).toBe(304);
            expect((await ask(`${api}/packed/${part}`, { headers: { 'if-none-match': '"1.1.9.core"' } })).status).toBe(
                200,
            );
        }
        expect(tags.size).toBe(3);
    });
});

describe('a list that may be none', () => {
    const upload = async (body: string | Buffer, kind = 'log'): Promise<string> => {
        const answer = await ask(`${api}/evidence?kind=${kind}&name=rubbish.log`, {
            method: 'POST',
            headers: { 'content-type': 'application/octet-stream', 'content-length': String(Buffer.byteLength(body)) },
            body,
        });
        return answer.status === 200 ? (JSON.parse(answer.body) as { upload: string }).upload : messageOf(answer);
    };
    const take = (id: string, anyway = false): Promise<HttpAnswer> =>
        ask(`${api}/evidence/${id}`, {
            method: 'POST',
            headers: JSON_TYPE,
            body: JSON.stringify({ separator: ',', mapping: null, robotWords: [], anyway }),
        });
    const LINE = '192.0.2.1 - - [10/Oct/2026:13:55:36 +0000] "GET /a HTTP/1.1" 200 5 "-" "Browser"\n';

    it('is refused where not one line can be read, empty lines or not', async () => {
        for (const body of [
            'rubbish\n\n\nmore rubbish\n',
            '\n\n\n',
            Buffer.from(Array.from({ length: 5_000 }, (_, at) => (at * 7_919) % 251)),
        ]) {
            const answer = await take(await upload(body), true);
            expect(answer.status).toBe(422);
            expect(messageOf(answer)).toMatch(/is no access log/);
        }
    });

    it('is asked about where most of its first lines cannot be read, and taken when somebody says so', async () => {
        const id = await upload(`${'rubbish\n'.repeat(700)}${LINE.repeat(300)}${LINE.repeat(5_000)}`);
        const doubted = await take(id);
        expect(doubted.status).toBe(422);
        expect(JSON.parse(doubted.body)).toMatchObject({ doubt: true });
        expect(messageOf(doubted)).toMatch(/700 of the first 1,000 lines cannot be read; line 1: /);
        expect((await take(id, true)).status).toBe(200);
    });

    it('is taken without a word where most of its first lines can be read', async () => {
        const id = await upload(`${LINE.repeat(600)}${'rubbish\n'.repeat(400)}${'rubbish\n'.repeat(9_000)}`);
        expect((await take(id)).status).toBe(200);
    });
});
