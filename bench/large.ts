/**
 * A large survey from its rows in the database: packed in a thread, opened again. With `--folder DIR` the data folder
 * stays, to be looked at with `./edgemap start --data DIR`.
 */
import { readFileSync } from 'node:fs';
import type { Part } from '../src/lib/core/columns/column.ts';
import { PARTS } from '../src/lib/core/packed/packed-survey.ts';
import type { Sections } from '../src/lib/core/packed/sections.ts';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { packInThread } from '../src/lib/server/pack/pack-in-thread.ts';
import { packedOf } from '../src/lib/wire/packed-head.ts';
import { closeSurvey, createSurvey } from '../src/lib/server/store/survey-store.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { storeBatch } from '../src/lib/server/store/batch-store.ts';
import { loadPacked } from '../src/lib/server/store/packed-store.ts';
import type { BenchOptions } from './bench.ts';
import { MADE_ORIGIN, madeBatches, occurrencesOf } from './made-rows.ts';
import { line, memoryInUse } from './measure.ts';
import { openBenchStore } from './made-site.ts';

const OWN = 15;

export async function largeBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 100_000;
    const bench = await openBenchStore(options.folder);
    const { db, access } = bench.store;
    const settings = { ...DEFAULT_SETTINGS, start: `${MADE_ORIGIN}/`, maxPages: 1_000_000 };
    const { id } = await addSite(db, 'Big', settings);
    const survey = await createSurvey(db, id, settings);
    line('pages, link occurrences', `${count(pages)}, ${count(pages * occurrencesOf(OWN))}`);
    const storing = await timed(async () => {
        let number = 0;
        for (const batch of madeBatches({ pages, own: OWN })) await storeBatch(db, survey.id, ++number, batch);
    });
    line('storing its rows', `${(storing / 1000).toFixed(1)} s`);
    await closeSurvey(db, survey.id, { state: 'finished', cut: [], trouble: '', readMilliseconds: 1 });

    const before = memoryInUse();
    const packing = await timed(() => packInThread(access, survey.id, { make: 'kept', wanted: false }));
    const most = Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync('/proc/self/status', 'utf8'))?.[1] ?? 0) / 1000;
    line('packed from its rows in a thread, and stored', `${(packing / 1000).toFixed(1)} s`);
    line('  most memory of the whole process, the thread included', `${most.toFixed(0)} MB`);
    line('  memory of this process that stays', `${((memoryInUse() - before) / 1e6).toFixed(0)} MB`);
    const opening = await timed(async () => {
        const parts = new Map<Part, Sections>();
        for (const part of PARTS) {
            const loaded = await loadPacked(db, survey.id, 1, part);
            if (!loaded.ok) throw new Error(loaded.why);
            parts.set(part, loaded.sections);
        }
        if (!packedOf(parts)) throw new Error('no survey of ours');
    });
    line('opened from the database, all parts', `${opening.toFixed(0)} ms`);
    await bench.end();
}

const count = (value: number): string => value.toLocaleString('en');

async function timed(work: () => Promise<unknown>): Promise<number> {
    const began = performance.now();
    await work();
    return performance.now() - began;
}
