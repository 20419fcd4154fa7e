import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { belongingOf } from '../../core/scope/belonging.ts';
import { DEFAULT_SETTINGS } from '../../core/survey/default-settings.ts';
import { NO_SECRETS, type SurveySecrets } from '../../core/survey/settings.ts';
import { PatientClient } from './patient-client.ts';

let server: Server;
let client: PatientClient;
afterEach(async () => {
    await client.close();
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
});

/** A server that answers the nth request of a path as it is told, and the client that asks it. */
async function open(
    answer: (
        time: number,
        headers: Record<string, unknown>,
    ) => { status: number; body?: string; broken?: boolean; headers?: Record<string, string> } | 'drop',
    secrets: SurveySecrets = NO_SECRETS,
): Promise<{ url: (path: string) => string; times: () => number; methods: string[] }> {
    let times = 0;
    const methods: string[] = [];
    server = createServer((request, response) => {
        methods.push(request.method ?? '');
        const found = answer(++times, request.headers);
        if (found === 'drop') return void request.socket.destroy();
        response.writeHead(found.status, { 'content-type': 'text/html', ...found.headers });
        if (found.broken) {
            response.write('half');
            setImmediate(() => request.socket.destroy());
        } else response.end(found.body ?? '');
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const start = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
    client = new PatientClient({
        settings: { ...DEFAULT_SETTINGS, start, delay: 0 },
        secrets,
        belonging: belongingOf(start),
        pins: [],
        stop: new AbortController().signal,
    });
    return { url: (path) => start + path, times: () => times, methods };
}

describe('PatientClient', () => {
    it('tries three times what may pass: a connection that breaks, a body that breaks off', async () => {
        const lost = await open((time) => (time < 3 ? 'drop' : { status: 200, body: 'there' }));
        expect(await client.fetchPage(lost.url('a'))).toMatchObject({ ok: true, status: 200 });
        expect(lost.times()).toBe(3);
    });

    it('tries a body that broke off again', async () => {
        const { url, times } = await open((time) =>
            time < 3 ? { status: 200, broken: true, headers: { 'content-length': '40' } } : { status: 200, body: 'x' },
        );
        expect(await client.fetchPage(url('a'))).toMatchObject({ ok: true, bodyTrouble: null });
        expect(times()).toBe(3);
    });

    it('gives up after three tries, with what it has', async () => {
        const { url, times } = await open(() => 'drop');
        expect(await client.fetchPage(url('a'))).toMatchObject({ ok: false, code: 'lost' });
        expect(times()).toBe(3);
    });

    it('waits where a server says it is busy, and takes the last answer', async () => {
        const { url, times } = await open(() => ({ status: 503, headers: { 'retry-after': '0' } }));
        expect(await client.fetchPage(url('a'))).toMatchObject({ ok: true, status: 503 });
        expect(times()).toBe(3);
    });

    it.each([404, 500, 301])('takes status %i as it is', async (status) => {
        const { url, times } = await open(() => ({ status }));
        expect(await client.fetchPage(url('a'))).toMatchObject({ ok: true, status });
        expect(times()).toBe(1);
    });

    it('asks with GET where HEAD is not understood, and not where it is', async () => {
        const understood = await open(() => ({ status: 200 }));
        await client.fetchStatus(understood.url('a'));
        expect(understood.methods).toEqual(['HEAD']);
        await client.close();
        server.closeAllConnections();
        const not = await open((time) => ({ status: time === 1 ? 405 : 200 }));
        expect(await client.fetchStatus(not.url('a'))).toMatchObject({ status: 200 });
        expect(not.methods).toEqual(['HEAD', 'GET']);
    });

    it('carries secrets to the hosts of the site and nowhere else', async () => {
        const seen: unknown[] = [];
        const secrets = { ...NO_SECRETS, headers: [['X-Key', 'secret']] as [string, string][] };
        const { url } = await open((_, headers) => {
            seen.push(headers['x-key']);
            return { status: 200 };
        }, secrets);
        await client.fetchPage(url('a'));
        // The same server under a name that is not the site's: not asked at all, it is a private address.
        const other = url('a').replace('127.0.0.1', 'localhost');
        expect(await client.fetchPage(other)).toMatchObject({ ok: false, code: 'private' });
        expect(seen).toEqual(['secret']);
    });
});
