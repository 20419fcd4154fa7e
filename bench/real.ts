/**
 * Real sites: documentation of Debian packages where it is installed, the made site otherwise. The whole reader against a
 * bare tree of the same documents, and whole surveys from the command to the exports, with the database there already.
 * With `--against DIR` (another built copy of the project) both run in turn and their exports are compared.
 */
import { fork, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { readAnswer, type ReceivedDocument } from '../src/lib/server/crawl/read-answer.ts';
import { BlockSender } from '../src/lib/server/crawl/block-relay.ts';
import { bigSite } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { fastest, line, perSecond, ratio } from './measure.ts';
import { openBenchStore } from './made-site.ts';
import { parsePlain } from './plain-tree.ts';

/** Documentation packages, where Debian puts it. */
const DOCUMENTATION = [
    { name: 'postgresql-doc-15', folder: '/usr/share/doc/postgresql-doc-15/html' },
    { name: 'python3-doc', folder: '/usr/share/doc/python3-doc/html' },
];
/** Documents that the reader alone is measured on; a whole run of them takes some seconds. */
const MOST_DOCUMENTS = 300;

interface RealSite {
    name: string;
    folder: string;
}

interface Document {
    asked: ReceivedDocument;
    bytes: Uint8Array;
}

export async function realBench({ folder, pages, against }: BenchOptions): Promise<void> {
    const sites =
        folder === null ? DOCUMENTATION.filter((site) => existsSync(site.folder)) : [{ name: folder, folder }];
    if (sites.length === 0) {
        line('documentation', 'not installed; the reader alone, on the made site');
        await reading('made site', madeDocuments(pages ?? MOST_DOCUMENTS));
        return;
    }
    for (const site of sites) {
        await reading(site.name, documentsOf(site.folder, pages ?? MOST_DOCUMENTS));
        await surveying(site, against);
    }
}

/** From bytes to rows handed over, one thread, against parse5's own tree with locations alone. */
async function reading(name: string, documents: Document[]): Promise<void> {
    const sender = new BlockSender();
    const whole = await fastest(5, () => {
        for (const { asked, bytes } of documents) sender.send(readAnswer(asked, bytes).blocks);
    });
    const tree = await fastest(5, () => {
        for (const { bytes } of documents)
            parsePlain(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length).toString());
    });
    const size = documents.reduce((sum, { bytes }) => sum + bytes.length, 0) / documents.length;
    line(`${name}: documents`, `${documents.length}, ${Math.round(size / 1000)} kB each`);
    line(`${name}: whole reader, bytes to rows, one thread`, perSecond(documents.length, whole));
    line(`${name}: plain tree with locations alone`, perSecond(documents.length, tree));
    line(`${name}: ratio, reader to plain tree`, ratio(tree, whole));
}

const received = (path: string): ReceivedDocument => ({
    url: `http://127.0.0.1:8080/${encodeURI(path)}`,
    contentType: 'text/html; charset=utf-8',
    headers: { link: [], refresh: '', xRobotsTag: [], token: 'edgemap' },
    answer: { headers: [], cookieNames: [] },
    keepSource: true,
});

/** Bytes that are no part of a shared pool, as they come off a connection. */
const documentOf = (path: string, bytes: Buffer): Document => ({ asked: received(path), bytes: new Uint8Array(bytes) });

function documentsOf(folder: string, most: number): Document[] {
    return readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((name) => /\.html?$/.test(name))
        .sort()
        .slice(0, most)
        .map((name) => documentOf(name, readFileSync(join(folder, name))));
}

function madeDocuments(count: number): Document[] {
    const { page, pathOf } = bigSite({ pages: 30_000 });
    return Array.from({ length: count }, (_, index) =>
        documentOf(pathOf(index * 97).slice(1), Buffer.from(page(index * 97))),
    );
}

interface Run {
    /** Seconds: of the clock, of the processors, to the first request, from the last answer to the exports. */
    whole: number;
    computing: number;
    before: number;
    behind: number;
    answers: number;
    exports: Map<string, string>;
}

async function surveying(site: RealSite, against: string | null): Promise<void> {
    const served = fork(join(projectRoot(), 'build/node/bench-folder.js'), [site.folder]);
    const port = await new Promise<number>((resolve) =>
        served.once('message', (message: { port: number }) => resolve(message.port)),
    );
    const store = await openBenchStore();
    const trees = [...(against === null ? [] : [against]), projectRoot()];
    const best = new Map<string, Run>();
    for (let round = 0; round < 2; round++) {
        for (const tree of trees) {
            const run = await survey(tree, store.folder, served, port);
            if (run.whole < (best.get(tree)?.whole ?? Infinity)) best.set(tree, run);
        }
    }
    served.disconnect();
    await store.end();
    for (const tree of trees) {
        const { whole, computing, before, behind, answers } = best.get(tree)!;
        const name = `${site.name}${tree === against ? ', the other version' : ''}`;
        const seconds = (value: number): string => `${value.toFixed(2)} s`;
        line(`${name}: survey of ${answers} answers`, seconds(whole));
        line(`${name}: computing`, seconds(computing));
        line(`${name}: from the command to the first request`, seconds(before));
        line(`${name}: from the last answer to the exports`, seconds(behind));
    }
    const [theirs, ours] = [against === null ? undefined : best.get(against), best.get(projectRoot())!];
    if (theirs === undefined) return;
    line(`${site.name}: ratio, time to the other version`, ratio(ours.whole, theirs.whole));
    line(`${site.name}: ratio, computing to the other version`, ratio(ours.computing, theirs.computing));
    for (const [file, hash] of ours.exports) {
        line(`${site.name}: ${file}`, theirs.exports.get(file) === hash ? 'the same' : 'DIFFERENT');
    }
}

/** One survey by the command line, in a process of its own. */
async function survey(tree: string, data: string, served: ChildProcess, port: number): Promise<Run> {
    const out = mkdtempSync(join(tmpdir(), 'edgemap-bench-out-'));
    served.send('begin');
    const computed = computedByChildren();
    const started = Date.now();
    const words = ['survey', `http://127.0.0.1:${port}/index.html`, '--data', data, '--export', out];
    const child = spawn(process.execPath, [join(tree, 'build/node/edgemap.js'), ...words], { stdio: 'ignore' });
    await new Promise((resolve) => child.once('exit', resolve));
    const whole = (Date.now() - started) / 1000;
    const told = await new Promise<{ first: number; last: number; answers: number }>((resolve) => {
        served.once('message', resolve);
        served.send('tell');
    });
    const written = statSync(join(out, 'summary.json')).mtimeMs;
    const exports = new Map(
        readdirSync(out)
            .filter((file) => file.endsWith('.csv'))
            .map((file) => [file, hashOf(join(out, file))]),
    );
    rmSync(out, { recursive: true, force: true });
    return {
        whole,
        computing: computedByChildren() - computed,
        before: (told.first - started) / 1000,
        behind: (written - told.last) / 1000,
        answers: told.answers,
        exports,
    };
}

/** Without what differs between any two runs: how long an answer took, and in which order findings of one cause are told. */
function hashOf(file: string): string {
    const [head = '', ...records] = readFileSync(file, 'utf8').split('\r\n');
    records.sort();
    const hash = createHash('sha256').update(head);
    const times = new Set(head.split(',').flatMap((name, index) => (name === 'milliseconds' ? [index] : [])));
    for (const record of records) {
        hash.update(
            times.size === 0
                ? record
                : record
                      .split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/)
                      .filter((_, index) => !times.has(index))
                      .join(','),
        );
    }
    return hash.digest('hex');
}

/** Seconds of processor that children took which have ended, and theirs (proc(5): cutime and cstime, 100 a second). */
function computedByChildren(): number {
    const fields = readFileSync('/proc/self/stat', 'utf8')
        .replace(/^.*\) /, '')
        .split(' ');
    return (Number(fields[13]) + Number(fields[14])) / 100;
}
