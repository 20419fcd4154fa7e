/** The whole pipeline on a local site: fetch, read and store, against the same readers on the same bytes from memory. */
import { availableParallelism } from 'node:os';
import { belongingOf } from '../src/lib/core/scope/belonging.ts';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { NO_SECRETS, type SurveySettings } from '../src/lib/core/survey/settings.ts';
import { ParsePool } from '../src/lib/server/crawl/parse-pool.ts';
import { PatientClient } from '../src/lib/server/crawl/patient-client.ts';
import { doSurveyJob } from '../src/lib/server/jobs/survey-job.ts';
import { ownerName } from '../src/lib/server/jobs/worker-loop.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { createSurvey } from '../src/lib/server/store/survey-store.ts';
import { bigSite } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { line, perSecond, ratio } from './measure.ts';
import { openBenchStore, startMadeSite } from './made-site.ts';

const BYTES = 28_000;
const MENU = 60;
const RELATED = 22;

export async function pipelineBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 4_000;
    const made = await startMadeSite(pages, BYTES, MENU, RELATED);
    const settings: SurveySettings = { ...DEFAULT_SETTINGS, start: made.start, concurrency: 8 };
    const { page, pathOf } = bigSite({ pages, bytes: BYTES, menu: MENU, related: RELATED });
    const never = new AbortController().signal;
    const urls = Array.from({ length: pages }, (_, number) => made.start.replace(/\/$/, '') + pathOf(number));

    // Readers alone, on bytes in memory, as many documents under way as the pipeline has.
    const bodies = urls.map((_, number) => Buffer.from(page(number)));
    const pool = new ParsePool();
    const read = async (number: number): Promise<void> => {
        await pool.read({
            url: urls[number]!,
            bytes: bodies[number]!,
            contentType: 'text/html; charset=utf-8',
            headers: { link: [], refresh: '', xRobotsTag: [], token: settings.token },
            answer: { headers: [], cookieNames: [] },
            keepSource: true,
        });
    };
    await inTurn(Math.min(100, pages), 12, read);
    const readers = await timed(() => inTurn(pages, 12, read));
    await pool.close();

    const client = new PatientClient({
        settings,
        secrets: NO_SECRETS,
        belonging: belongingOf(settings.start, [], settings),
        pins: [],
        stop: never,
    });
    const fetched = await timed(() => inTurn(pages, 8, async (number) => void (await client.fetchPage(urls[number]!))));
    await client.close();

    const bench = await openBenchStore();
    const { id } = await addSite(bench.store.db, 'bench', settings);
    const survey = await createSurvey(bench.store.db, id, settings, {
        owner: ownerName(),
        leaseUntil: Date.now() + 1e9,
    });
    const whole = await timed(async () => {
        await doSurveyJob({
            store: bench.store,
            folder: bench.folder,
            surveyId: survey.id,
            owner: ownerName(),
            stop: never,
        });
    });
    await bench.end();
    made.end();

    line('pages', `${pages} of ${BYTES / 1000} kB, ${availableParallelism()} processors`);
    line('fetch only', perSecond(pages, fetched));
    line('readers alone, from memory', perSecond(pages, readers));
    line('whole pipeline: fetch, read, store', perSecond(pages, whole));
    line('ratio, pipeline to readers', ratio(readers, whole));
    line('ratio, pipeline to fetch only', ratio(fetched, whole));
}

async function timed(work: () => Promise<void>): Promise<number> {
    const started = performance.now();
    await work();
    return performance.now() - started;
}

/** Works through numbers 0 to count - 1, so many at a time. */
async function inTurn(count: number, atOnce: number, work: (number: number) => Promise<void>): Promise<void> {
    let next = 0;
    await Promise.all(
        Array.from({ length: atOnce }, async () => {
            while (next < count) await work(next++);
        }),
    );
}
