/** A menu-heavy site surveyed for real: bytes of database per link occurrence, memory of the worker, time to delete. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { z } from 'zod';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { doSurveyJob } from '../src/lib/server/jobs/survey-job.ts';
import { ownerName } from '../src/lib/server/jobs/worker-loop.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { createSurvey, deleteSurveys, listSurveys, sweepDeleted } from '../src/lib/server/store/survey-store.ts';
import type { BenchOptions } from './bench.ts';
import { line, memoryInUse, perSecond } from './measure.ts';
import { openBenchStore, startMadeSite } from './made-site.ts';

const MENU = 90;

export async function menuBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 30_000;
    const made = await startMadeSite(pages, 4_000, MENU, 0);
    const bench = await openBenchStore();
    const { db } = bench.store;
    const settings = { ...DEFAULT_SETTINGS, start: made.start, concurrency: 8, maxPages: 1_000_000 };
    const { id } = await addSite(db, 'bench', settings);
    const survey = await createSurvey(db, id, settings, {
        owner: ownerName(),
        leaseUntil: Date.now() + 1e9,
    });
    const memory: { read: number; bytes: number }[] = [];
    const started = performance.now();
    await doSurveyJob({
        store: bench.store,
        folder: bench.folder,
        surveyId: survey.id,
        owner: ownerName(),
        stop: new AbortController().signal,
        onProgress: ({ read }) => {
            if (read >= ((memory.length + 1) * pages) / 5) memory.push({ read, bytes: memoryInUse() });
        },
    });
    const took = performance.now() - started;
    made.end();
    line('survey', `${pages.toLocaleString('en')} pages, ${perSecond(pages, took)}`);
    for (const { read, bytes } of memory) {
        line(`memory of the worker at ${read.toLocaleString('en')} read`, `${Math.round(bytes / 1e6)} MB`);
    }
    const first = memory[0];
    const last = memory.at(-1);
    if (first && last && last.read > first.read) {
        line('growth per known URL', `${Math.round((last.bytes - first.bytes) / (last.read - first.read))} bytes`);
    }

    const occurrences = pages * MENU + pages - 1;
    // Pages of the tables that hold rows; beside them the files, which InnoDB makes larger ahead of need.
    const folder = join(bench.folder, 'db', 'edgemap');
    let all = 0;
    let files = 0;
    for (const name of readdirSync(folder).filter((file) => file.endsWith('.ibd'))) {
        const table = name.slice(0, -'.ibd'.length);
        await db.execute(sql`analyze table ${sql.identifier(table)}`);
        const [[found]] = z
            .tuple([z.array(z.object({ used: z.coerce.number() })), z.unknown()])
            .parse(
                await db.execute(
                    sql`select data_length as used from information_schema.tables where table_schema = database() and table_name = ${table}`,
                ),
            );
        const { size } = statSync(join(folder, name));
        const used = found?.used ?? 0;
        if (used > 100_000) {
            line(`  ${table}`, `${(used / 1e6).toFixed(1)} MB in use, file ${(size / 1e6).toFixed(1)} MB`);
        }
        if (table === 'page_source') continue;
        all += used;
        files += size;
    }
    line('files per link occurrence, sources aside', `${(files / occurrences).toFixed(1)} bytes`);
    line('database per link occurrence, sources aside', `${(all / occurrences).toFixed(1)} bytes`);

    const deleting = performance.now();
    await deleteSurveys(db, [survey.id]);
    const left = await listSurveys(db, id);
    const felt = performance.now() - deleting;
    const sweeping = performance.now();
    while (await sweepDeleted(db));
    line('deleting, as felt', `${felt.toFixed(0)} ms, ${left.length} surveys left in the list`);
    line('sweeping its rows behind', `${((performance.now() - sweeping) / 1000).toFixed(1)} s`);
    await bench.end();
}
