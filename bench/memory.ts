/** Memory of the worker while it surveys a site, halves of it in two runs: what it holds must not grow with what it read. */
import { eq } from 'drizzle-orm';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { doSurveyJob } from '../src/lib/server/jobs/survey-job.ts';
import { ownerName } from '../src/lib/server/jobs/worker-loop.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { createSurvey, resumeSurvey } from '../src/lib/server/store/survey-store.ts';
import { jobs } from '../src/lib/server/store/schema.ts';
import type { BenchOptions } from './bench.ts';
import { openBenchStore, startMadeSite } from './made-site.ts';
import { line, memoryInUse, perSecond } from './measure.ts';

export async function memoryBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 10_000;
    const made = await startMadeSite(pages, 4_000, 40, 12);
    const bench = await openBenchStore();
    const { db } = bench.store;
    const settings = { ...DEFAULT_SETTINGS, start: made.start, concurrency: 8, maxPages: 10_000_000 };
    const { id } = await addSite(db, 'bench', settings);
    const survey = await createSurvey(db, id, settings, {
        owner: ownerName(),
        leaseUntil: Date.now() + 1e9,
    });
    const base = memoryInUse();
    const points: { known: number; bytes: number }[] = [];
    const run = async (name: string, until: number): Promise<void> => {
        const stop = new AbortController();
        const started = performance.now();
        let next = 0;
        let first = -1;
        let read = 0;
        await doSurveyJob({
            store: bench.store,
            folder: bench.folder,
            surveyId: survey.id,
            owner: ownerName(),
            stop: stop.signal,
            onProgress: (progress) => {
                ({ read } = progress);
                if (first === -1) first = read;
                if (read >= until) stop.abort();
                if (read < next) return;
                next = read + pages / 8;
                const bytes = memoryInUse() - base;
                points.push({ known: progress.found, bytes });
                line(
                    `${name}: ${read.toLocaleString('en')} read, ${progress.found.toLocaleString('en')} known`,
                    `${(bytes / 1e6).toFixed(1)} MB`,
                );
            },
        });
        const took = performance.now() - started;
        line(`${name}: ended`, `${(took / 1000).toFixed(0)} s, ${perSecond(read - first, took)}`);
    };
    await run('first half', pages / 2);
    await resumeSurvey(db, survey.id);
    await db
        .update(jobs)
        .set({ state: 'running', owner: ownerName(), leaseUntil: Date.now() + 1e9 })
        .where(eq(jobs.surveyId, survey.id));
    await run('gone on with', Infinity);
    const most = Math.max(...points.map((point) => point.bytes));
    const known = points.at(-1)?.known ?? 1;
    line('most memory over that of an idle worker', `${(most / 1e6).toFixed(0)} MB`);
    line('per known URL', `${Math.round(most / known).toLocaleString('en')} bytes`);
    line(
        'most of the whole process (resident, code and garbage too)',
        `${Math.round(process.resourceUsage().maxRSS / 1000)} MB`,
    );
    made.end();
    await bench.end();
}
