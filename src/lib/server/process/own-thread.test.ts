import { readFileSync } from 'node:fs';
import { getPriority } from 'node:os';
import { Worker } from 'node:worker_threads';
import { ModuleKind, transpileModule } from 'typescript';
import { describe, expect, it } from 'vitest';
import { ownThread } from './own-thread.ts';

/** Priorities of a thread before and after it stays behind, of a thread it starts then, and its number. */
const THREAD = `
const { parentPort, workerData, Worker } = require('node:worker_threads');
const { getPriority } = require('node:os');
const { readlinkSync } = require('node:fs');
import(workerData).then(({ ownThread, stayBehind }) => {
    const own = ownThread();
    const before = getPriority(own);
    stayBehind();
    const child = new Worker(
        "const { parentPort } = require('node:worker_threads');" +
            "const own = Number(require('node:fs').readlinkSync('/proc/thread-self').split('/').pop());" +
            "parentPort.postMessage(require('node:os').getPriority(own));",
        { eval: true },
    );
    child.on('message', (below) => parentPort.postMessage({ own, before, after: getPriority(own), below }));
});
`;

const source = readFileSync(new URL('./own-thread.ts', import.meta.url), 'utf8');
const { outputText } = transpileModule(source, { compilerOptions: { module: ModuleKind.ESNext } });
const MODULE = `data:text/javascript,${encodeURIComponent(outputText)}`;

describe('a thread that stays behind', () => {
    it('is last by itself, with the threads it starts; the one that started it is not', async () => {
        const before = getPriority(ownThread());
        const thread = new Worker(THREAD, { eval: true, workerData: MODULE });
        const told = await new Promise<{ own: number; before: number; after: number; below: number }>(
            (resolve, reject) => {
                thread.once('message', resolve);
                thread.once('error', reject);
            },
        );
        expect(told.own).not.toBe(ownThread());
        expect(told.before).toBe(before);
        expect(told.after).toBeGreaterThan(before);
        expect(told.below).toBe(told.after);
        expect(getPriority(ownThread())).toBe(before);
        await thread.terminate();
    });
});
