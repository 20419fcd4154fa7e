import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ParsePool, type ParseJob } from './parse-pool.ts';

/**
 * A thread that reads nothing: it answers with the URL as title, and dies of a document whose URL says so. Its blocks
 * are relayed by number from the second document on, as the real one does.
 */
const THREAD = `
import { readlinkSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
let first = true;
Atomics.store(workerData, 0, Number(readlinkSync('/proc/thread-self').split('/').pop()));
parentPort.on('message', (request) => {
    Atomics.store(workerData, 1, request.id);
    const from = Date.now();
    if (request.url.includes('deadly')) throw new Error('out of memory');
    // Asleep it takes time of the clock and none of the processor; endless it computes.
    if (request.url.includes('asleep')) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 900);
    while (request.url.includes('endless'));
    const block = first ? { region: 'nav', place: 'nav', links: [] } : null;
    first = false;
    const relay = { forget: false, blocks: [{ number: 1, block, line: 1 }] };
    const size = new Uint8Array(request.bytes).length;
    parentPort.postMessage({ id: request.id, ok: true, facts: { title: request.url, words: size, h1: from + ' ' + Date.now() }, relay, details: {} });
    // The answer is on its way; a document behind it may end the thread before it arrives.
    Atomics.store(workerData, 1, -1);
});
`;

/** Dies of itself before it reads anything. */
const STILLBORN = `throw new Error('no memory for a thread');`;

let folder = '';
let script = '';

beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'parse-pool-'));
    script = join(folder, 'thread.mjs');
    writeFileSync(script, THREAD);
});

afterAll(() => rmSync(folder, { recursive: true }));

function job(url: string, size = 7): ParseJob {
    return {
        url,
        bytes: new Uint8Array(size),
        contentType: 'text/html',
        headers: { link: [], refresh: '', xRobotsTag: [], token: 'x' },
        answer: { headers: [], cookieNames: [] },
        keepSource: false,
    };
}

describe('parse pool', () => {
    it('loses the document that kills its thread, says why, and reads all that waited behind it', async () => {
        const pool = new ParsePool({ threads: 1, script });
        const urls = Array.from(
            { length: 20 },
            (_, at) => `https://x.example/${at % 7 === 3 ? 'deadly' : 'page'}${at}`,
        );
        const read = await Promise.all(urls.map((url) => pool.read(job(url))));
        await pool.close();
        urls.forEach((url, at) => {
            const result = read[at]!;
            if (url.includes('deadly')) {
                expect(result).toEqual({
                    ok: false,
                    problem: { code: 'document-failed', params: { cause: 'out of memory' } },
                });
                return;
            }
            expect(result.ok && result.facts.title).toBe(url);
            // Bytes were handed over to the thread that died: the next one gets them again, whole.
            expect(result.ok && result.facts.words).toBe(7);
            expect(result.ok && result.facts.blocks[0]?.block.place).toBe('nav');
        });
    });

    it('counts computing, not time: a document that waits long is read, one that computes without end is given up', async () => {
        const pool = new ParsePool({ threads: 1, script, documentMilliseconds: 300 });
        const urls = ['asleep', 'endless', 'page'].map((name) => `https://x.example/${name}`);
        const [asleep, endless, page] = await Promise.all(urls.map((url) => pool.read(job(url))));
        await pool.close();
        expect(asleep).toMatchObject({ ok: true });
        expect(endless).toEqual({ ok: false, problem: { code: 'document-slow', params: { seconds: 0 } } });
        expect(page).toMatchObject({ ok: true });
    });

    it('ends with a reason where no thread can be started', async () => {
        const stillborn = join(folder, 'stillborn.mjs');
        writeFileSync(stillborn, STILLBORN);
        const pool = new ParsePool({ threads: 1, script: stillborn });
        const read = await pool.read(job('https://x.example/'));
        await pool.close();
        expect(read).toEqual({
            ok: false,
            problem: { code: 'document-failed', params: { cause: 'no memory for a thread' } },
        });
    });

    it('answers each document with its own facts when several threads read', async () => {
        const pool = new ParsePool({ threads: 3, script });
        // The first ones hold their thread up: what waits behind them is worth others.
        const urls = Array.from({ length: 50 }, (_, at) => `https://x.example/${at < 4 ? 'asleep' : 'page'}${at}`);
        const read = await Promise.all(urls.map((url) => pool.read(job(url, 100_000))));
        expect(pool.threads).toBe(3);
        await pool.close();
        expect(read.map((result) => result.ok && result.facts.title)).toEqual(urls);
    });

    it('reads on in another thread while one computes without end', async () => {
        const pool = new ParsePool({ threads: 2, script });
        // The second is with the first thread already; the third waits.
        const urls = ['endless', 'behind', 'page'].map((name) => `https://x.example/${name}`);
        const [, , page] = urls.map((url) => pool.read(job(url)));
        expect(await page).toMatchObject({ ok: true });
        await pool.close();
    });

    it('reads very large documents one after the other, and small ones meanwhile', async () => {
        const pool = new ParsePool({ threads: 2, script });
        const large = 5 * 1024 * 1024;
        const urls = ['asleep-1', 'asleep-2', 'asleep-3', 'small-1', 'small-2'].map((of) => `https://x.example/${of}`);
        const order: string[] = [];
        const read = await Promise.all(
            urls.map(async (url) => {
                const result = await pool.read(job(url, url.includes('asleep') ? large : 7));
                order.push(url);
                return result;
            }),
        );
        await pool.close();
        const times = read.slice(0, 3).map((result) => (result.ok ? result.facts.h1.split(' ').map(Number) : []));
        times.sort((a, b) => a[0]! - b[0]!);
        for (let at = 1; at < times.length; at++) expect(times[at]![0]).toBeGreaterThanOrEqual(times[at - 1]![1]!);
        expect(read.map((result) => result.ok && result.facts.words)).toEqual([large, large, large, 7, 7]);
        // What came last is not the small ones: they did not wait for all that came before them.
        expect(order.at(-1)).toContain('asleep');
    });

    it('begins with one thread, however many it may have', async () => {
        const pool = new ParsePool({ threads: 3, script });
        const read = pool.read(job('https://x.example/'));
        expect(pool.threads).toBe(1);
        await read;
        await pool.close();
    });
});
