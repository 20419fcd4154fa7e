/**
 * What cannot be stored ruins no survey: it is laid aside with a sentence and gone on with, whichever table fails and
 * whenever. The database refuses rows as a full disk does (error 1114), by a trigger.
 */
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { pageRecord } from '../support/reference/page-record.ts';
import type { MeasuredSurvey } from '../support/reference/measured-survey.ts';
import { allLinks } from '../support/reference/link-records.ts';
import type { SurveyBatch } from '$lib/core/survey/survey-rows.ts';
import { NO_DECISIONS } from '$lib/core/survey/survey-rows.ts';
import { NO_SECRETS } from '$lib/core/survey/settings.ts';
import { EarlierRun } from '$lib/server/crawl/earlier-run.ts';
import { runSurvey } from '$lib/server/crawl/survey-run.ts';
import { loadEarlierRun } from '$lib/server/jobs/earlier-runs.ts';
import { doSurveyJob, type SurveyJobInput } from '$lib/server/jobs/survey-job.ts';
import { ownerName } from '$lib/server/jobs/worker-loop.ts';
import { makeAndSavePacked } from '$lib/server/pack/pack-survey.ts';
import { BatchMissing, storeBatch } from '$lib/server/store/batch-store.ts';
import { askToPause, askToStop } from '$lib/server/store/job-store.ts';
import { mendRows, RowsBroken } from '$lib/server/store/mend-rows.ts';
import { loadPacked } from '$lib/server/store/packed-store.ts';
import { jobs } from '$lib/server/store/schema.ts';
import { closePaused, getSurvey, pauseWaiting, resumeSurvey } from '$lib/server/store/survey-store.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { openSurvey, tableSite, type StandingSurvey } from '../support/survey.ts';
import { storedWords } from '$lib/core/words/problems.ts';

let instance: Instance;
let whole: MeasuredSurvey;
/** Requests of the undisturbed survey. */
let asked: number;
beforeAll(async () => {
    instance = await openInstance();
    const undisturbed = await openSurvey(instance, SITE, SLOW);
    const made = await undisturbed.run();
    whole = made.measured;
    asked = made.log.length;
    await undisturbed.close();
});
afterAll(() => instance.close());

/** 120 pages in a tree, each with a menu, a link elsewhere and a canonical; some redirect. */
const SITE = tableSite(
    Object.fromEntries(
        Array.from({ length: 120 }, (_, n) => [
            n === 0 ? '/' : `/p${n}`,
            n % 17 === 16
                ? { status: 301, headers: { location: `/p${n - 1}` } }
                : `<link rel="canonical" href="/p${n === 0 ? '' : n}"><nav><ul><li><a href="/">home</a></li><li><a href="/p1">one</a></li></ul></nav>` +
                  `<main><h1>Page ${n}</h1>${[2 * n + 1, 2 * n + 2].map((to) => `<a href="/p${to}">to ${to}</a>`).join(' ')}` +
                  `<a href="https://other.example/${n}">other ${n}</a></main>`,
        ]),
    ),
);
const SLOW = { delay: 5, concurrency: 4 };

/** All a survey says of pages and links, but for times; rows are numbered as answers came, URLs are not. */
function said(measured: MeasuredSurvey): unknown {
    const pages = measured.urls.map((_, node) => {
        const {
            milliseconds: _m,
            read_at: _r,
            seq: _s,
            ...rest
        } = pageRecord(measured, node) as Record<string, unknown>;
        return rest;
    });
    return { pages, links: [...allLinks(measured)] };
}

/** Lets the database refuse rows of a table from the nth on, as a full disk does. */
async function refuse(table: string, from: number, survey: number): Promise<() => Promise<void>> {
    const { pool } = instance.store;
    await pool.query(`DROP TRIGGER IF EXISTS no_space`);
    await pool.query(
        `CREATE TRIGGER no_space BEFORE INSERT ON \`${table}\` FOR EACH ROW
         IF NEW.survey_id = ${survey} AND (SELECT COUNT(*) FROM \`${table}\` WHERE survey_id = ${survey}) >= ${from} THEN
            SIGNAL SQLSTATE 'HY000' SET MYSQL_ERRNO = 1114, MESSAGE_TEXT = 'The table is full';
         END IF`,
    );
    return async () => void (await pool.query(`DROP TRIGGER IF EXISTS no_space`));
}

async function expectWhole(survey: StandingSurvey): Promise<void> {
    const { survey: ended, measured } = await survey.run();
    expect(ended).toMatchObject({ state: 'finished', cut: [], trouble: '' });
    expect(said(measured)).toEqual(said(whole));
}

describe('a batch that cannot be stored', () => {
    it.each([
        ['address', 60],
        ['page', 20],
        ['link_list', 30],
        ['page_detail', 10],
        ['evidence', 0],
        ['page_main', 0],
    ])(
        'lays the survey aside when %s takes no more than %i rows; it is gone on with, and nothing is missing',
        async (table, from) => {
            const survey = await openSurvey(instance, SITE, SLOW);
            const free = await refuse(table, from, survey.id);
            const { survey: laid } = await survey.run();
            expect(laid.state).toBe('paused');
            expect(storedWords(laid.trouble)).toMatch(
                /^The disk with the data folder has no room for this: [\d,]+ [MG]B free\. Free some space, then go on\. \d+ pages? (?:is|are) kept\.$/,
            );
            const { db } = instance.store;
            // What was stored has no gap, so that it can be gone on with.
            await expect(loadEarlierRun(db, survey.id)).resolves.toBeInstanceOf(EarlierRun);
            // Going on while there is no space yet says the same again, and loses nothing.
            expect(await resumeSurvey(db, survey.id)).toBe(true);
            expect((await survey.run()).survey).toMatchObject({ state: 'paused' });
            await free();
            expect(await resumeSurvey(db, survey.id)).toBe(true);
            await expectWhole(survey);
            await survey.close();
        },
    );

    it('is not stored behind one that is missing', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { db } = instance.store;
        const empty: SurveyBatch = { ...(await batchesOf(survey, 1))[0]! };
        await expect(storeBatch(db, survey.id, 2, empty)).rejects.toThrow(BatchMissing);
        await survey.close();
    });

    it('says how many pages are kept', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const free = await refuse('page', 1, survey.id);
        const { survey: laid } = await survey.run();
        await free();
        const [rows] = await instance.store.pool.query(
            `SELECT COUNT(*) AS kept FROM page WHERE survey_id = ${survey.id} AND status IS NOT NULL`,
        );
        const { kept } = (rows as { kept: number }[])[0]!;
        expect(storedWords(laid.trouble)).toContain(`${kept} ${kept === 1 ? 'page is' : 'pages are'} kept.`);
        await survey.close();
    });
});

/** Runs a survey as its worker would, over a store that fails as the test wants. */
async function runWith(
    store: SurveyJobInput['store'],
    surveyId: number,
    more: Pick<SurveyJobInput, 'patience' | 'log'>,
): ReturnType<typeof doSurveyJob> {
    const owner = ownerName();
    await instance.store.db
        .update(jobs)
        .set({ state: 'running', owner, leaseUntil: Date.now() + 60_000 })
        .where(eq(jobs.surveyId, surveyId));
    const { path } = instance.folder;
    return doSurveyJob({ store, folder: path, surveyId, owner, stop: new AbortController().signal, ...more });
}

describe('a failure of another kind', () => {
    it('lays the survey aside with its reason, whatever it is', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { pool, db } = instance.store;
        await pool.query(
            `CREATE TRIGGER broken BEFORE INSERT ON page FOR EACH ROW
             IF NEW.survey_id = ${survey.id} THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a fault nobody foresaw'; END IF`,
        );
        const { survey: laid } = await survey.run();
        expect(laid.state).toBe('paused');
        expect(storedWords(laid.trouble)).toMatch(
            /^It could not go on: a fault nobody foresaw\. Go on to try again.* 0 pages are kept\.$/,
        );
        await pool.query('DROP TRIGGER broken');
        await resumeSurvey(db, survey.id);
        await expectWhole(survey);
        await survey.close();
    });

    it('lays it aside too where the database does not come back in time, once it is back', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { db } = instance.store;
        // The connection says that the server is gone until somebody asks a second time for the survey itself.
        let calls = 0;
        const away = Object.assign(new Error('gone'), { code: 'PROTOCOL_CONNECTION_LOST' });
        const store = {
            ...instance.store,
            db: new Proxy(db, {
                get(target, name) {
                    const value: unknown = Reflect.get(target, name);
                    if (name !== '$client') return value;
                    return new Proxy(target.$client, {
                        get(client, method) {
                            if (method === 'getConnection' && calls++ < 3) return () => Promise.reject(away);
                            const own: unknown = Reflect.get(client, method);
                            return typeof own === 'function' ? own.bind(client) : own;
                        },
                    });
                },
            }),
        };
        const result = await runWith(store, survey.id, { patience: 0 });
        expect(result).toMatchObject({ ended: true, state: 'paused' });
        expect(storedWords((await getSurvey(db, survey.id))?.trouble ?? '')).toMatch(
            /^The database could not be reached \(gone\)\. Go on when it is back\./,
        );
        await resumeSurvey(db, survey.id);
        await expectWhole(survey);
        await survey.close();
    });
});

describe('a database that is away for a moment', () => {
    it('where nobody waits for it interrupts nothing: the survey goes on from its rows', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { db } = instance.store;
        // Lists from elsewhere are read straight from the database, in the middle of the run: the third question fails.
        let questions = 0;
        const away = Object.assign(new Error('gone'), { code: 'ECONNREFUSED' });
        const store = {
            ...instance.store,
            db: new Proxy(db, {
                get(target, name) {
                    const value: unknown = Reflect.get(target, name);
                    if (name !== 'select') return typeof value === 'function' ? value.bind(target) : value;
                    return (...fields: unknown[]) => {
                        const isLists =
                            fields[0] !== undefined && Object.keys(fields[0] as object).join() === 'id,kind,name';
                        if (isLists && ++questions === 1) throw away;
                        return (value as (...all: unknown[]) => unknown).apply(target, fields);
                    };
                },
            }),
        };
        const said: string[] = [];
        const result = await runWith(store, survey.id, { log: (line) => said.push(line) });
        expect(questions).toBe(2);
        expect(said).toEqual([`survey ${survey.id}: gone; it goes on from its rows`]);
        expect(result).toMatchObject({ ended: true, state: 'finished' });
        await survey.close();
    });
});

describe('stop and pause', () => {
    it('act on a survey that cannot go on', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { db } = instance.store;
        const free = await refuse('page', 20, survey.id);
        await survey.run();
        await free();
        expect(await closePaused(db, survey.id)).toBe(true);
        const { survey: stopped, measured } = await survey.run();
        expect(stopped).toMatchObject({ state: 'stopped', cut: ['stopped'] });
        expect(measured.pages.filter((page) => page?.status === 200).length).toBeGreaterThan(0);
        expect(await closePaused(db, survey.id)).toBe(false);
        await survey.close();
    });

    it('act on one that waits for a worker', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        const { db } = instance.store;
        expect(await pauseWaiting(db, survey.id)).toBe(true);
        expect(await getSurvey(db, survey.id)).toMatchObject({ state: 'paused', trouble: '' });
        expect(await db.select({ state: jobs.state }).from(jobs).where(eq(jobs.surveyId, survey.id))).toEqual([
            { state: 'paused' },
        ]);
        expect(await pauseWaiting(db, survey.id)).toBe(false);
        await resumeSurvey(db, survey.id);
        await askToStop(db, survey.id);
        expect((await survey.run()).survey.state).toBe('stopped');
        await survey.close();
    });

    it('pause a survey before it reads anything, where that was asked while it was taken up', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        await askToPause(instance.store.db, survey.id);
        await survey.run();
        expect(survey.standIn.log).toEqual([]);
        expect((await getSurvey(instance.store.db, survey.id))?.state).toBe('paused');
        await survey.close();
    });
});

/** The batches of a survey as the crawl makes them, none of them stored. */
async function batchesOf(survey: StandingSurvey, most = Infinity): Promise<SurveyBatch[]> {
    const { settings } = (await getSurvey(instance.store.db, survey.id))!;
    const batches: SurveyBatch[] = [];
    const stop = new AbortController();
    await runSurvey({
        settings,
        secrets: NO_SECRETS,
        decisions: NO_DECISIONS,
        earlier: new EarlierRun(),
        known: async function* () {},
        elapsed: 0,
        stop: stop.signal,
        onBatch: (batch) => {
            batches.push(batch);
            if (batches.length >= most) stop.abort();
            return Promise.resolve();
        },
        onProgress: () => undefined,
    });
    return batches;
}

describe('a survey that an older version ruined', () => {
    it('is mended by the next start, whichever batch was lost', async () => {
        const { db } = instance.store;
        // Slower, so that there are several batches to lose.
        const source = await openSurvey(instance, SITE, { delay: 20, concurrency: 2 });
        const batches = await batchesOf(source);
        await source.close();
        expect(batches.length).toBeGreaterThan(4);
        for (const lost of [1, Math.floor(batches.length / 2), batches.length - 2]) {
            const survey = await openSurvey(instance, SITE, SLOW);
            let number = 0;
            for (const [at, batch] of batches.entries()) {
                if (at === lost || at === batches.length - 1) continue;
                await storeBatch(db, survey.id, ++number, batch);
            }
            // A batch may hold pages that nothing else leads to, and nothing new beside: those are simply read again.
            const kept = batches.slice(lost + 1, -1);
            const leavesGap = (['addresses', 'layouts', 'lists', 'blocks'] as const).some(
                (kind) => batches[lost]![kind].length > 0 && kept.some((batch) => batch[kind].length > 0),
            );
            if (lost === 1) expect(leavesGap).toBe(true);
            if (leavesGap) await expect(loadEarlierRun(db, survey.id)).rejects.toThrow(RowsBroken);
            await expectWhole(survey);
            // Pages that were whole are not asked for again.
            expect(survey.standIn.log.length).toBeLessThan(asked);
            await survey.close();
        }
    });

    it('is mended when its first batch is lost: all is read again', async () => {
        const { db } = instance.store;
        const survey = await openSurvey(instance, SITE, SLOW);
        const batches = await batchesOf(survey);
        let number = 0;
        for (const batch of batches.slice(1)) await storeBatch(db, survey.id, ++number, batch);
        expect(await mendRows(db, survey.id)).toMatchObject({ kept: 0 });
        await expectWhole(survey);
        await survey.close();
    });

    it('is left as it is where nothing is missing', async () => {
        const { db } = instance.store;
        const survey = await openSurvey(instance, SITE, SLOW);
        const { measured } = await survey.run();
        expect(await mendRows(db, survey.id)).toMatchObject({ dropped: 0 });
        expect((await loadEarlierRun(db, survey.id)).urls.length).toBeGreaterThanOrEqual(measured.count);
        await survey.close();
    });
});

describe('packing', () => {
    it('is looked at without being kept where there is no space, and kept when there is', async () => {
        const survey = await openSurvey(instance, SITE, SLOW);
        await survey.run();
        const { db } = instance.store;
        const ended = (await getSurvey(db, survey.id))!;
        const free = await refuse('packed_chunk', 0, survey.id);
        const made = await makeAndSavePacked(db, ended);
        expect(made.survey.count).toBe(whole.count);
        expect((await loadPacked(db, survey.id, ended.revision, 'core')).ok).toBe(false);
        await free();
        await makeAndSavePacked(db, ended);
        expect((await loadPacked(db, survey.id, ended.revision, 'core')).ok).toBe(true);
        await survey.close();
    });
});
