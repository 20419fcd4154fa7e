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
import { parentPort } from 'node:worker_threads';
let first = true;
parentPort.on('message', (request) => {
    if (request.url.includes('deadly')) throw new Error('out of memory');
    const block = first ? { region: 'nav', place: 'nav', links: [] } : null;
    first = false;
    const relay = { forget: false, blocks: [{ number: 1, block, line: 1 }] };
    const size = new Uint8Array(request.bytes).length;
    parentPort.postMessage({ id: request.id, ok: true, facts: { title: request.url, words: size }, relay, details: {} });
});
`;

let folder = '';
let script = '';

beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'parse-pool-'));
    script = join(folder, 'thread.mjs');
    writeFileSync(script, THREAD);
});

afterAll(() => rmSync(folder, { recursive: true }));

function job(url: string): ParseJob {
    return {
        url,
        bytes: new Uint8Array(7),
        contentType: 'text/html',
        headers: { link: [], refresh: '', xRobotsTag: [], token: 'x' },
        answer: { headers: [], cookieNames: [] },
        keepSource: false,
    };
}

describe('parse pool', () => {
    it('loses the document that kills its thread, says why, and reads all that waited behind it', async () => {
        const pool = new ParsePool(1, script);
        const urls = Array.from(
            { length: 20 },
            (_, at) => `https://x.example/${at % 7 === 3 ? 'deadly' : 'page'}${at}`,
        );
        const read = await Promise.all(urls.map((url) => pool.read(job(url))));
        await pool.close();
        urls.forEach((url, at) => {
            const result = read[at]!;
            if (url.includes('deadly')) {
                expect(result).toEqual({ ok: false, say: 'the document could not be read: out of memory' });
                return;
            }
            expect(result.ok && result.facts.title).toBe(url);
            // Bytes were handed over to the thread that died: the next one gets them again, whole.
            expect(result.ok && result.facts.words).toBe(7);
            expect(result.ok && result.facts.blocks[0]?.block.place).toBe('nav');
        });
    });

    it('answers each document with its own facts when several threads read', async () => {
        const pool = new ParsePool(3, script);
        const urls = Array.from({ length: 50 }, (_, at) => `https://x.example/${at}`);
        const read = await Promise.all(urls.map((url) => pool.read(job(url))));
        await pool.close();
        expect(read.map((result) => result.ok && result.facts.title)).toEqual(urls);
    });
});
