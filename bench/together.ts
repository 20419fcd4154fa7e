/**
 * How long others wait: the latency of a list and of a table page by themselves, and beside an export, an import, a
 * packing and a survey; then fifty readers at once, alone and with a survey and an export beside them.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { packInThread } from '../src/lib/server/pack/pack-in-thread.ts';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { storeBatch } from '../src/lib/server/store/batch-store.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { closeSurvey, createSurvey } from '../src/lib/server/store/survey-store.ts';
import type { BenchOptions } from './bench.ts';
import { MADE_ORIGIN, madeBatches, occurrencesOf } from './made-rows.ts';
import { openBenchStore, startMadeSite } from './made-site.ts';
import { line, ratio } from './measure.ts';

const OWN = 20;
const LOG_LINES = 400_000;
const PROBES = 150;
const READERS = 50;
const VIEWS = [
    'brief',
    'reach',
    'weight',
    'pages',
    'links',
    'orphans',
    'templates',
    'completeness',
    'sitemaps',
    'progress',
];

const agent = new Agent({ keepAlive: true, maxSockets: Infinity });

interface Answer {
    status: number;
    bytes: number;
    body: string;
    took: number;
}

function ask(
    address: string,
    path: string,
    options: { method?: string; body?: Buffer | string; type?: string; keep?: boolean } = {},
): Promise<Answer> {
    const began = performance.now();
    return new Promise((resolve, reject) => {
        const sent = request(
            new URL(path, address),
            {
                agent,
                method: options.method ?? 'GET',
                headers: {
                    ...(options.body === undefined ? {} : { 'content-length': Buffer.byteLength(options.body) }),
                    ...(options.type ? { 'content-type': options.type } : {}),
                    origin: address.replace(/\/$/, ''),
                },
            },
            (answer) => {
                let bytes = 0;
                const pieces: Buffer[] = [];
                answer.on('data', (piece: Buffer) => {
                    bytes += piece.length;
                    if (options.keep) pieces.push(piece);
                });
                answer.on('end', () =>
                    resolve({
                        status: answer.statusCode ?? 0,
                        bytes,
                        body: Buffer.concat(pieces).toString(),
                        took: performance.now() - began,
                    }),
                );
                answer.on('error', reject);
            },
        );
        sent.on('error', reject);
        sent.end(options.body);
    });
}

const at = (sorted: number[], share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;

interface Latency {
    list: { half: number; most: number };
    table: { half: number; most: number };
}

/** Asks for the list of sites and for a page of a table by turns, until there are enough and the work beside has ended. */
async function probe(address: string, base: string, isOver: () => boolean = () => true): Promise<Latency> {
    const took: Record<'list' | 'table', number[]> = { list: [], table: [] };
    for (let turn = 0; turn < PROBES || (!isOver() && turn < 4_000); turn++) {
        took.list.push((await ask(address, '/sites')).took);
        took.table.push((await ask(address, `${base}/pages?order=standing.desc&from=${(turn * 100) % 5_000}`)).took);
        await wait(5);
    }
    const told = (list: number[]): { half: number; most: number } => {
        const sorted = list.sort((a, b) => a - b);
        return { half: at(sorted, 0.5), most: at(sorted, 0.99) };
    };
    return { list: told(took.list), table: told(took.table) };
}

function tell(name: string, now: Latency, alone: Latency): void {
    for (const kind of ['list', 'table'] as const) {
        line(
            `${name}: ${kind === 'list' ? '/sites' : 'table page'}`,
            `median ${now[kind].half.toFixed(1)} ms (${ratio(now[kind].half, alone[kind].half)} of alone), 99 in 100 ${now[kind].most.toFixed(0)} ms (${(now[kind].most - alone[kind].most).toFixed(0)} more)`,
        );
    }
}

function accessLog(): string {
    const lines: string[] = [];
    for (let at = 0; at < LOG_LINES; at++) {
        lines.push(
            `192.0.2.${at % 250} - - [10/Oct/2026:13:${String(at % 60).padStart(2, '0')}:36 +0000] "GET /section-${at % 40}/page-${at % 150_000} HTTP/1.1" 200 2326 "-" "Browser ${at % 40}"`,
        );
    }
    return `${lines.join('\n')}\n`;
}

async function startApplication(folder: string): Promise<{ address: string; child: ChildProcess }> {
    const child = spawn(process.execPath, [join(projectRoot(), 'build/node/edgemap.js'), 'start', '--data', folder], {
        stdio: ['ignore', 'pipe', 'inherit'],
    });
    const address = await new Promise<string>((resolve, reject) => {
        let said = '';
        child.stdout.on('data', (piece: Buffer) => {
            said += piece.toString();
            const found = /Edge Map is at (\S+)/.exec(said)?.[1];
            if (found) resolve(found);
        });
        child.once('exit', () => reject(new Error(`it did not start: ${said}`)));
    });
    return { address, child };
}

export async function togetherBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 11_500;
    const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'edgemap-together-'));
    const bench = await openBenchStore(folder);
    const { db, access } = bench.store;
    const settings = { ...DEFAULT_SETTINGS, start: `${MADE_ORIGIN}/`, maxPages: 1_000_000 };
    const site = await addSite(db, 'Big', settings);
    const survey = await createSurvey(db, site.id, settings);
    let number = 0;
    for (const batch of madeBatches({ pages, own: OWN })) await storeBatch(db, survey.id, ++number, batch);
    await closeSurvey(db, survey.id, { state: 'finished', cut: [], trouble: '', readMilliseconds: 1 });
    await packInThread(access, survey.id, { make: 'kept', wanted: false });
    // One of its own for the readers: an import makes the other a larger one.
    const readSite = await addSite(db, 'Read', settings);
    const read = await createSurvey(db, readSite.id, settings);
    number = 0;
    for (const batch of madeBatches({ pages, own: OWN })) await storeBatch(db, read.id, ++number, batch);
    await closeSurvey(db, read.id, { state: 'finished', cut: [], trouble: '', readMilliseconds: 1 });
    await packInThread(access, read.id, { make: 'kept', wanted: false });
    const { address, child } = await startApplication(folder);
    const made = await startMadeSite(pages, 14_000, 30, 20);
    try {
        const api = `/api/v1/sites/${site.id}/surveys/1`;
        const views = `/sites/${readSite.id}/1`;
        line(
            'pages, link occurrences',
            `${pages.toLocaleString('en')}, ${(pages * occurrencesOf(OWN)).toLocaleString('en')}`,
        );
        await probe(address, api);
        let alone = await probe(address, api);
        tell('alone', alone, alone);

        const beside = async (name: string, work: Promise<unknown>): Promise<void> => {
            let isOver = false;
            const began = performance.now();
            let took = 0;
            const ended = work.then(
                () => null,
                (error: Error) => error,
            );
            void ended.then(() => {
                isOver = true;
                took = performance.now() - began;
            });
            const now = await probe(address, api, () => isOver);
            const failure = await ended;
            if (failure) throw failure;
            tell(name, now, alone);
            line(`  it took`, `${(took / 1000).toFixed(1)} s`);
        };

        await beside('beside links.csv', ask(address, `${api}/links.csv`));
        await beside('beside graph.graphml', ask(address, `${api}/graph.graphml`));
        await beside('beside pages.ndjson', ask(address, `${api}/pages.ndjson`));
        await beside(
            'beside an import of 400,000 lines',
            (async () => {
                const log = accessLog();
                const kept = await ask(address, `${api}/evidence?kind=log&name=access.log`, {
                    method: 'POST',
                    body: log,
                    type: 'application/octet-stream',
                    keep: true,
                });
                const { upload } = JSON.parse(kept.body) as { upload: string };
                const taken = await ask(address, `${api}/evidence/${upload}`, {
                    method: 'POST',
                    body: JSON.stringify({ separator: ',', mapping: null, robotWords: [] }),
                    type: 'application/json',
                    keep: true,
                });
                if (taken.status !== 200) throw new Error(taken.body);
            })(),
        );
        // The import made a new revision, and a larger survey: whoever looks next has it packed.
        await probe(address, api);
        alone = await probe(address, api);
        tell('alone, with what was imported', alone, alone);
        await beside(
            'beside packing, three times over',
            (async () => {
                // Not kept: what is kept is not made again.
                for (let turn = 0; turn < 3; turn++)
                    await packInThread(access, survey.id, { make: 'shown', wanted: false });
            })(),
        );

        const readers = async (): Promise<number[]> => {
            const took = await Promise.all(
                Array.from({ length: READERS }, (_, reader) =>
                    ask(address, `${views}/${VIEWS[reader % VIEWS.length]}`).then((answer) => {
                        if (answer.status !== 200) throw new Error(`a view answered ${answer.status}`);
                        return answer.took;
                    }),
                ),
            );
            return took.sort((a, b) => a - b);
        };
        const tellReaders = async (name: string): Promise<void> => {
            const took = await readers();
            line(name, `median ${at(took, 0.5).toFixed(0)} ms, slowest ${took.at(-1)!.toFixed(0)} ms`);
        };
        await tellReaders('50 readers at once, of a survey nobody looked at before');
        await tellReaders('the same again');

        const crawl = await ask(address, `/sites/new`, { keep: true });
        if (crawl.status !== 200) throw new Error('the application does not answer');
        const running = await createSurvey(db, (await addSite(db, 'Running', { ...settings, start: made.start })).id, {
            ...settings,
            start: made.start,
            delay: 0,
        });
        await wait(2_000);
        tell('beside a survey', await probe(address, api), alone);

        const exported = ask(address, `/api/v1/sites/${readSite.id}/surveys/1/links.csv`);
        await tellReaders('50 readers at once, under a survey and an export');
        await tellReaders('the same again');
        await exported;
        await ask(address, `/api/v1/sites/${running.siteId}/surveys/1/stop`, { method: 'POST' });
        await wait(3_000);
        for (const view of VIEWS) {
            const single: number[] = [];
            for (let turn = 0; turn < 7; turn++) single.push((await ask(address, `${views}/${view}`)).took);
            line(
                `  one reader, ${view}`,
                `${at(
                    single.sort((a, b) => a - b),
                    0.5,
                ).toFixed(0)} ms`,
            );
        }
    } finally {
        made.end();
        child.kill('SIGINT');
        await new Promise((resolve) => child.once('exit', resolve));
        await bench.end();
        if (options.folder === null) rmSync(folder, { recursive: true, force: true });
    }
}
