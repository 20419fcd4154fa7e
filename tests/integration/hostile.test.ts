/** Servers that answer wrongly on purpose: the survey goes on, and each failure has its reason. */
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { measureSurvey, type MeasuredSurvey } from '../support/reference/measured-survey.ts';
import { pageRecord } from '../support/reference/page-record.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { doSurveyJob } from '$lib/server/jobs/survey-job.ts';
import { ownerName } from '$lib/server/jobs/worker-loop.ts';
import { addSite } from '$lib/server/store/site-store.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { createSurvey, getSurvey, infoOf } from '$lib/server/store/survey-store.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { storedWords } from '$lib/core/words/problems.ts';

const OK = 'HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nConnection: close\r\n';

/** What is written to the socket for a path; the socket is then ended, unless the answer says otherwise. */
const ANSWERS: Record<string, (socket: Socket) => void> = {
    '/garbage': (socket) => socket.end('this is no HTTP at all\r\n\r\n'),
    '/empty': (socket) => socket.end(),
    '/reset': (socket) => socket.resetAndDestroy(),
    '/headers': (socket) => socket.end(`HTTP/1.1 200 OK\r\nX-Long: ${'x'.repeat(100_000)}\r\n\r\n`),
    '/short': (socket) => socket.end(`${OK}Content-Length: 5000\r\n\r\n<title>cut`),
    '/chunk': (socket) => socket.end(`${OK}Transfer-Encoding: chunked\r\n\r\nzz\r\nno chunk`),
    '/endless': (socket) => {
        socket.write(`${OK}\r\n<title>Endless</title>`);
        const piece = Buffer.alloc(1 << 20, '<p>on and on ');
        const more = (): void => {
            while (!socket.destroyed && socket.write(piece));
        };
        socket.on('drain', more);
        more();
    },
    '/bad-location': (socket) =>
        socket.end('HTTP/1.1 302 Found\r\nLocation: http://[\r\nContent-Length: 0\r\nConnection: close\r\n\r\n'),
    '/status': (socket) => socket.end('HTTP/1.1 999 Odd\r\nContent-Length: 0\r\nConnection: close\r\n\r\n'),
    '/nul': (socket) => socket.end(`${OK}\r\n<title>a\0b\ud800</title><a href="/\0x">nul</a>`),
    '/tags': (socket) =>
        socket.end(
            `${OK}\r\n<${'t'.repeat(70_000)}><a href="/1">1</a></${'t'.repeat(70_000)}><${'t'.repeat(70_000)}><a href="/2">2</a>`,
        ),
    '/attributes': (socket) =>
        socket.end(
            `${OK}\r\n<html lang="${'l'.repeat(9_000)}"><a href="/${'h'.repeat(9_000)}" rel="${'r '.repeat(9_000)}" title="${'t'.repeat(90_000)}"></a>`,
        ),
};

let instance: Instance;
let server: Server;
let measured: MeasuredSurvey;
let port = 0;

beforeAll(async () => {
    instance = await openInstance();
    server = createServer((socket) => {
        socket.on('error', () => socket.destroy());
        socket.once('data', (data) => {
            const path = /^GET (\S+)/.exec(data.toString())?.[1] ?? '/';
            const answer = ANSWERS[path];
            if (answer) answer(socket);
            else if (path === '/')
                socket.end(
                    `${OK}\r\n${Object.keys(ANSWERS)
                        .map((name) => `<a href="${name}">x</a>`)
                        .join('')}`,
                );
            else socket.end('HTTP/1.1 404 No\r\nContent-Length: 0\r\nConnection: close\r\n\r\n');
        });
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    port = (server.address() as AddressInfo).port;
    const { db } = instance.store;
    const settings = { ...DEFAULT_SETTINGS, start: `http://127.0.0.1:${port}/` };
    const site = await addSite(db, 'hostile', settings);
    const survey = await createSurvey(db, site.id, settings, { owner: ownerName(), leaseUntil: Date.now() + 60_000 });
    await doSurveyJob({
        store: instance.store,
        folder: instance.folder.path,
        surveyId: survey.id,
        owner: ownerName(),
        stop: new AbortController().signal,
    });
    const ended = (await getSurvey(db, survey.id))!;
    expect(ended).toMatchObject({ state: 'finished', trouble: '' });
    measured = measureSurvey(infoOf(ended), await loadRows(db, survey.id));
});
afterAll(async () => {
    server?.close();
    await instance?.close();
});

function recordOf(path: string) {
    const node = measured.urls.indexOf(`http://127.0.0.1:${port}${path}`);
    expect(node, path).toBeGreaterThanOrEqual(0);
    return pageRecord(measured, node);
}

const pageOf = (path: string) => measured.pages[measured.urls.indexOf(`http://127.0.0.1:${port}${path}`)];

describe('a hostile server', () => {
    it.each([
        ['/garbage', 'broken-reply'],
        ['/empty', 'lost'],
        ['/reset', 'lost'],
        ['/headers', 'broken-reply'],
    ])('%s is kept as %s, with a sentence', (path, reason) => {
        expect(recordOf(path)).toMatchObject({ status: null, not_read: reason, gate: 'response' });
        expect(String(recordOf(path).gate_reason)).toContain('127.0.0.1');
    });

    it('keeps the status and what came of a body that is shorter than its Content-Length', () => {
        expect(recordOf('/short')).toMatchObject({ status: 200, not_read: '', title: 'cut', gate: 'indexable' });
        expect(storedWords(pageOf('/short')?.bodyTrouble ?? '')).toMatch(/Content-Length|broke off after 10 bytes/);
    });

    it('keeps the status of a body that cannot be read, and does not take it for a page without links', () => {
        expect(recordOf('/chunk')).toMatchObject({ status: 200, not_read: '', gate: 'response' });
        expect(String(recordOf('/chunk').gate_reason)).toContain('broke off after 0 bytes');
    });

    it('is not read without end', () => {
        expect(recordOf('/endless')).toMatchObject({ status: 200, title: 'Endless' });
        expect(measured.pages[measured.urls.indexOf(`http://127.0.0.1:${port}/endless`)]?.bytes).toBe(20 * 1024 * 1024);
    });

    it('does not lead astray by a Location that is none, or a status nobody knows', () => {
        expect(recordOf('/bad-location')).toMatchObject({ status: 302, redirect_to: null, gate: 'response' });
        expect(recordOf('/status')).toMatchObject({ status: 999, gate: 'response' });
    });

    it('cannot break the store by what it writes', () => {
        expect(recordOf('/nul').status).toBe(200);
        expect(recordOf('/tags').status).toBe(200);
        expect(recordOf('/attributes')).toMatchObject({ status: 200, outgoing_links: 0 });
        expect(String(recordOf('/attributes').language).length).toBe(100);
    });
});
