/** What the store promises where nobody looks: who may write, what goes with a survey, what large things come back as. */
import { toldReport } from '$lib/core/formats/told-report.ts';
import { addKnock, listKnocks } from '$lib/server/store/door-store.ts';
import { listRevisions } from '$lib/server/store/evidence-store.ts';
import { doorPage, doorReport } from '../support/door.ts';
import type { RowDataPacket } from 'mysql2/promise';
import { eq } from 'drizzle-orm';
import { copyFileSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { emptyRows, unreadPage, type SurveyRows } from '$lib/core/survey/survey-rows.ts';
import { openDataFolder, projectRoot } from '$lib/server/process/data-folder.ts';
import { holdDatabase } from '$lib/server/process/database-process.ts';
import { inTransaction, loadTables, storeBatch } from '$lib/server/store/batch-store.ts';
import { BulkMismatch, bulkLoad, RowWriter } from '$lib/server/store/bulk-load.ts';
import { migrateStore, MIGRATIONS_FOLDER, openStore } from '$lib/server/store/connect.ts';
import { addList, giveList, listRows, loadLists, type NewList } from '$lib/server/store/evidence-store.ts';
import { readProgress, releaseJob, takeJob } from '$lib/server/store/job-store.ts';
import { LeaseLost } from '$lib/server/store/ownership.ts';
import { loadPacked, savePacked, whilePacking } from '$lib/server/store/packed-store.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import * as schema from '$lib/server/store/schema.ts';
import { addSite } from '$lib/server/store/site-store.ts';
import {
    closeSurvey,
    createSurvey,
    deleteSurveys,
    getSurvey,
    pauseSurvey,
    resumeSurvey,
    type Survey,
} from '$lib/server/store/survey-store.ts';
import { openInstance, temporaryFolder, type Instance } from '../support/instance.ts';
import { problem, readProblem, readProblems, writeProblem } from '$lib/core/problems/problem.ts';
import { noteWords } from '$lib/core/words/problems.ts';
import { FAILURES, FILE_NOTES, NOINDEXES, REVISIONS, RULES, samplesOf, TYPE_NOTES } from '../support/every-problem.ts';

let instance: Instance;
beforeAll(async () => {
    instance = await openInstance();
});
afterAll(() => instance.close());

const SETTINGS = { ...DEFAULT_SETTINGS, start: 'https://site.example/' };

async function newSurvey(more: Parameters<typeof createSurvey>[3] = {}): Promise<Survey> {
    const { db } = instance.store;
    const site = await addSite(db, 'site', SETTINGS);
    return createSurvey(db, site.id, SETTINGS, more);
}

/** Addresses and pages, one for each reason. */
function rowsOf(...reasons: string[]): SurveyRows {
    const rows = emptyRows();
    reasons.forEach((reason, id) => {
        rows.addresses.push({ id, url: `https://site.example/${reason}${id}`, internal: true });
        rows.pages.push({ ...unreadPage(id), notRead: reason as never, status: reason === '' ? 200 : null });
    });
    return rows;
}

describe('a load that is refused', () => {
    it('leaves nothing behind on a connection, however often', async () => {
        const { db, pool } = instance.store;
        const survey = await newSurvey({ owner: 'me', leaseUntil: Date.now() + 600_000 });
        await pool.query(
            `CREATE TRIGGER refuse_loads BEFORE INSERT ON page FOR EACH ROW
             IF NEW.survey_id = ${survey.id} THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'refused'; END IF`,
        );
        const warnings: string[] = [];
        const note = ({ name }: Error): number => warnings.push(name);
        process.on('warning', note);
        for (let turn = 0; turn < 12; turn++)
            await expect(storeBatch(db, survey.id, 1, rowsOf('', 'limit'), { owner: 'me' })).rejects.toThrow('refused');
        await pool.query('DROP TRIGGER refuse_loads');
        await storeBatch(db, survey.id, 1, rowsOf('', 'limit'), { owner: 'me' });
        process.off('warning', note);
        expect(warnings).toEqual([]);
        expect((await loadRows(db, survey.id)).pages).toHaveLength(2);
    });
});

describe('only the owner of a job', () => {
    it('stores, and nobody once the job is gone', async () => {
        const { db } = instance.store;
        const survey = await newSurvey({ owner: 'me', leaseUntil: Date.now() + 60_000 });
        await storeBatch(db, survey.id, 1, rowsOf(''), { owner: 'me' });
        await db.delete(schema.jobs).where(eq(schema.jobs.surveyId, survey.id));
        await expect(storeBatch(db, survey.id, 2, emptyRows(), { owner: 'me' })).rejects.toThrow(LeaseLost);
        await expect(pauseSurvey(db, survey.id, 0, 'me')).rejects.toThrow(LeaseLost);
    });

    it('gives it back', async () => {
        const { db } = instance.store;
        const survey = await newSurvey({ owner: 'me', leaseUntil: Date.now() + 60_000 });
        await releaseJob(db, survey.id, 'somebody else');
        expect(await takeJob(db, 'third', () => false)).toBeNull();
        await releaseJob(db, survey.id, 'me');
        expect(await takeJob(db, 'third', () => false)).toMatchObject({ surveyId: survey.id });
        await deleteSurveys(db, [survey.id]);
    });
});

describe('a survey', () => {
    it('that is deleted keeps no secrets, from that moment on', async () => {
        const { db } = instance.store;
        const survey = await newSurvey({ secrets: Buffer.from('sealed') });
        await deleteSurveys(db, [survey.id]);
        const [row] = await db.select().from(schema.surveys).where(eq(schema.surveys.id, survey.id));
        expect(row).toMatchObject({ isDeleted: true, secrets: null });
        expect(await db.select().from(schema.jobs).where(eq(schema.jobs.surveyId, survey.id))).toEqual([]);
    });

    it('goes on with the time it has used after a pause, and anew after its end', async () => {
        const { db } = instance.store;
        const paused = await newSurvey();
        await pauseSurvey(db, paused.id, 5_000);
        await resumeSurvey(db, paused.id);
        expect((await getSurvey(db, paused.id))?.readMilliseconds).toBe(5_000);
        const ended = await newSurvey();
        await closeSurvey(db, ended.id, {
            state: 'finished',
            cut: ['max-minutes'],
            trouble: '',
            readMilliseconds: 5_000,
        });
        await resumeSurvey(db, ended.id);
        expect((await getSurvey(db, ended.id))?.readMilliseconds).toBe(0);
    });

    it('asks again for what failed only where it could not be made at all', async () => {
        const { db } = instance.store;
        const left = async (state: 'finished' | 'failed'): Promise<string[]> => {
            const survey = await newSurvey();
            await storeBatch(db, survey.id, 1, rowsOf('', 'timeout', 'refused', 'limit', 'trap', 'robots', 'later'));
            await closeSurvey(db, survey.id, { state, cut: [], trouble: '' });
            await resumeSurvey(db, survey.id);
            return (await loadRows(db, survey.id)).pages.map(({ notRead }) => notRead);
        };
        expect(await left('finished')).toEqual(['', 'timeout', 'refused', 'robots']);
        expect(await left('failed')).toEqual(['']);
    });
});

describe('loading in bulk', () => {
    it('keeps numbers beyond 31 and 32 bits', async () => {
        const { db } = instance.store;
        const survey = await newSurvey();
        const rows = rowsOf('');
        rows.pages[0]!.readAt = 2 ** 41 + 7;
        rows.pages[0]!.bytes = 2 ** 31 - 1;
        await storeBatch(db, survey.id, 1, rows);
        expect((await loadRows(db, survey.id)).pages[0]).toMatchObject({ readAt: 2 ** 41 + 7, bytes: 2 ** 31 - 1 });
    });

    it('notices a row that the database left out without a warning of its own', async () => {
        const { db } = instance.store;
        const survey = await newSurvey();
        await storeBatch(db, survey.id, 1, rowsOf(''));
        const writer = new RowWriter();
        // The second stands there already: LOAD DATA LOCAL skips it.
        writer.row([survey.id, 5, true, 'https://site.example/5']);
        writer.row([survey.id, 0, true, 'https://site.example/0']);
        await expect(
            inTransaction(db, (_, connection) =>
                bulkLoad(connection, 'address', ['survey_id', 'id', 'internal', 'url'], writer),
            ),
        ).rejects.toThrow(BulkMismatch);
        expect((await loadRows(db, survey.id)).addresses).toHaveLength(1);
    });

    it('gives its connection back, whether it went well or not', async () => {
        const { db, pool } = instance.store;
        const survey = await newSurvey();
        for (let round = 0; round < 30; round++) {
            await inTransaction(db, (_, connection) => loadTables(connection, [], survey.id, emptyRows()));
            await expect(inTransaction(db, () => Promise.reject(new Error('no')))).rejects.toThrow('no');
        }
        // The pool has eight: a ninth kept by anybody would be waited for here for ever.
        await Promise.all(Array.from({ length: 8 }, () => pool.query('SELECT 1')));
    });
});

const bytesOf = ({ buffer, byteOffset, byteLength }: Uint32Array): Buffer =>
    Buffer.from(buffer, byteOffset, byteLength);

describe('a packed part of several chunks', () => {
    it('comes back in the order in which it was taken apart', async () => {
        const { db } = instance.store;
        const survey = await newSurvey();
        // 14 MB of numbers that all differ: four chunks, and more than ten in the form of rows.
        const column = Uint32Array.from({ length: 3_500_000 }, (_, at) => Math.imul(at, 2_654_435_761) >>> 0);
        const sections = { head: { n: 1 }, columns: new Map([['column', column]]) };
        await savePacked(db, survey.id, 1, new Map([['core', sections]]));
        const chunks = await db
            .select({ n: schema.packedChunks.n })
            .from(schema.packedChunks)
            .where(eq(schema.packedChunks.surveyId, survey.id));
        expect(chunks.length).toBeGreaterThan(3);
        const loaded = await loadPacked(db, survey.id, 1, 'core');
        // As bytes: to compare millions of numbers one by one, with words for each, takes most of a minute.
        const back = loaded.ok ? loaded.sections.columns.get('column') : undefined;
        expect(back).toBeInstanceOf(Uint32Array);
        expect(Buffer.compare(bytesOf(back as Uint32Array), bytesOf(column))).toBe(0);
    });

    it('is made by one at a time', async () => {
        const { pool } = instance.store;
        let inside = 0;
        let most = 0;
        await Promise.all(
            Array.from({ length: 4 }, () =>
                whilePacking(pool, 4_711, async () => {
                    most = Math.max(most, ++inside);
                    await pool.query('SELECT SLEEP(0.05)');
                    inside--;
                }),
            ),
        );
        expect(most).toBe(1);
        // Another survey is no reason to wait.
        let apart = 0;
        await whilePacking(pool, 1, () => whilePacking(pool, 2, () => Promise.resolve(apart++)));
        expect(apart).toBe(1);
    });
});

describe('lists from elsewhere', () => {
    const made = (rows: NewList['rows']): NewList => ({
        kind: 'external',
        name: 'links.csv',
        outcome: { columns: [], lines: rows.length, rows: rows.length, bad: 0, notes: [], bare: null },
        badLines: [],
        robots: null,
        rows,
    });

    it('make a URL known once, however many rows name it', async () => {
        const { db } = instance.store;
        const survey = await newSurvey();
        await storeBatch(db, survey.id, 1, rowsOf(''));
        await closeSurvey(db, survey.id, { state: 'finished', cut: [], trouble: '' });
        const url = 'https://site.example/0';
        const rows = ['https://a.example/', 'https://b.example/'].map((source) => ({ url, source, cells: [] }));
        const result = await addList(db, survey.id, made(rows), [], new Map([[url, 0]]), {});
        expect(result).toEqual({ ok: true, revision: 2 });
        expect((await loadRows(db, survey.id)).evidence).toHaveLength(1);
        expect((await loadLists(db, survey.id))[0]?.rows).toEqual(rows);
    });

    it('come back in order, however long they are', async () => {
        const { db } = instance.store;
        const survey = await newSurvey();
        const rows = Array.from({ length: 25_001 }, (_, n) => ({
            url: `https://site.example/${n}`,
            source: '',
            cells: [],
        }));
        await giveList(db, survey.id, made(rows));
        const [head] = await loadLists(db, survey.id);
        expect(head?.rows).toEqual(rows);
        let seen = 0;
        for await (const row of listRows(db, survey.id, head!.id)) expect(row.url).toBe(rows[seen++]?.url);
        expect(seen).toBe(25_001);
    });
});

describe('files and accounts', () => {
    it('of a moment are put where no other database takes them away when it starts', async () => {
        const [rows] = await instance.store.db.$client.query("SHOW VARIABLES LIKE 'tmpdir'");
        const [{ Value: folder } = { Value: '' }] = rows as { Value: string }[];
        expect(folder.startsWith(instance.folder.path)).toBe(true);
        expect(statSync(folder).mode & 0o077).toBe(0);
    });

    it('are for their owner alone', async () => {
        const { path, database } = instance.folder;
        for (const folder of [path, database, join(path, 'run'), join(path, 'log'), join(database, 'edgemap')])
            expect(statSync(folder).mode & 0o777, folder).toBe(0o700);
        for (const file of ['secret', 'format', 'db/ibdata1', 'db/edgemap/page.ibd', 'log/database.log'])
            expect(statSync(join(path, file)).mode & 0o077, file).toBe(0);
        const [accounts] = await instance.store.pool
            .query(
                'SELECT CURRENT_USER() AS me, (SELECT COUNT(*) FROM information_schema.user_privileges WHERE grantee NOT LIKE "\'edgemap\'@%") AS others',
            )
            .catch(() => [[]]);
        expect(accounts).toMatchObject([{ me: 'edgemap@localhost', others: 0 }]);
    });
});

describe('migrations', () => {
    it('keep what an earlier version stored, table by table', async () => {
        const path = temporaryFolder('migrate-data');
        const hold = await holdDatabase(openDataFolder(path));
        try {
            await migrateStore(hold.access, migrationsUpTo(9, join(path, 'before')));
            const store = openStore(hold.access);
            const run = (text: string): Promise<unknown> => store.pool.query(text);
            await run(
                `INSERT INTO page_detail (survey_id, page, facts, text, body_hash, signature, outline) VALUES (7, 3, 'f', 't', 'h', 's', 'o')`,
            );
            const sets = {
                a: 'host is "https://www.site.example" and page',
                b: 'page and (HOST is not "http://site.example")',
                c: 'host is one of "https://a.example", "https://b.example"',
                d: 'title has "host is https"',
                e: 'section is "host"',
            };
            for (const [name, line] of Object.entries(sets)) {
                await store.pool.query(
                    'INSERT INTO saved_set (site_id, name, expression, created_at) VALUES (1, ?, ?, 0)',
                    [name, line],
                );
            }
            await store.pool.query(
                `INSERT INTO priority (site_id, by_what, subject, value, created_at) VALUES (1, 'set', ?, 1, 0), (1, 'page', ?, 2, 0)`,
                [sets.a, sets.a],
            );
            await migrateStore(hold.access);
            const [details] = await store.pool.query('SELECT page, facts, sketch FROM page_detail');
            expect(details).toMatchObject([{ page: 3, facts: Buffer.from('f'), sketch: null }]);
            const [kept] = await store.pool.query('SELECT name, expression FROM saved_set ORDER BY name');
            expect(kept).toEqual([
                { name: 'a', expression: 'origin is "https://www.site.example" and page' },
                { name: 'b', expression: 'page and (origin is not "http://site.example")' },
                { name: 'c', expression: 'origin is one of "https://a.example", "https://b.example"' },
                { name: 'd', expression: sets.d },
                { name: 'e', expression: sets.e },
            ]);
            const [said] = await store.pool.query('SELECT subject FROM priority ORDER BY id');
            expect(said).toEqual([{ subject: 'origin is "https://www.site.example" and page' }, { subject: sets.a }]);
            await store.close();
        } finally {
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        }
    });

    it('turn the sentences that were kept into codes', async () => {
        const path = temporaryFolder('migrate-problems');
        const hold = await holdDatabase(openDataFolder(path));
        try {
            await migrateStore(hold.access, migrationsUpTo(11, join(path, 'before')));
            const store = openStore(hold.access);
            const columns = {
                failure: FAILURES,
                body_trouble: FAILURES,
                type_note: TYPE_NOTES,
                noindex_reason: NOINDEXES,
                robots_rule: RULES,
            };
            const cells = Object.entries(columns).map(([column, samples]) => ({ column, samples: samplesOf(samples) }));
            const rows = Math.max(...cells.map(({ samples }) => samples.length)) + 1;
            for (let row = 0; row < rows; row++) {
                const said = cells.map(({ samples }) => samples[row]?.say ?? '');
                await store.pool.query(
                    `INSERT INTO page (survey_id, address, seq, not_read, media_type, title, h1, description, language, meta_robots, x_robots_tag, noindex, nofollow, canonicals, ${cells.map(({ column }) => column).join(', ')}) VALUES (1, ?, 0, '', '', '', '', '', '', '', '', 0, 0, '', ?)`,
                    [row, said],
                );
                await store.pool.query(
                    `INSERT INTO target_check (survey_id, address, kind, not_read, failure, media_type, read_at) VALUES (1, ?, 'external', '', ?, '', 0)`,
                    [row, said[0]],
                );
            }
            const notes = [
                ...samplesOf(FILE_NOTES).map(({ problem, say }) => ({ say, found: [problem] })),
                ...NOTES_OF_SEVERAL,
            ];
            for (const [id, { say }] of notes.entries()) {
                await store.pool.query(
                    `INSERT INTO file (survey_id, id, kind, url, status, note, text) VALUES (1, ?, 'sitemap', 'u', 301, ?, '')`,
                    [id, say],
                );
            }
            await migrateStore(hold.access);
            const read = async (table: string, column: string, key: string): Promise<string[]> => {
                const [found] = await store.pool.query<RowDataPacket[]>(
                    `SELECT ${column} AS text FROM ${table} ORDER BY ${key}`,
                );
                return found.map(({ text }) => text as string);
            };
            for (const { column, samples } of cells) {
                const wanted = Array.from({ length: rows }, (_, row) => samples[row]?.problem ?? null);
                expect((await read('page', column, 'address')).map(readProblem), column).toEqual(wanted);
                if (column !== 'failure') continue;
                expect((await read('target_check', column, 'address')).map(readProblem)).toEqual(wanted);
            }
            const kept = await read('file', 'note', 'id');
            expect(kept.map(readProblems)).toEqual(notes.map(({ found }) => found));
            expect(kept.map((text) => noteWords(readProblems(text)))).toEqual(notes.map(({ say }) => say));
            await store.close();
        } finally {
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        }
    });

    it('keep of a knock its facts, and of a revision why it came as a code', async () => {
        const path = temporaryFolder('migrate-door');
        const hold = await holdDatabase(openDataFolder(path));
        try {
            await migrateStore(hold.access, migrationsUpTo(12, join(path, 'before')));
            const store = openStore(hold.access);
            const { facts } = doorReport({ start: doorPage({ status: 503 }) });
            const step = { test: 'answer', tried: 'asked for it', seen: '200 after 1 redirect', ok: true };
            const found = 'named in robots.txt, line 3';
            const sitemap = { url: 'u', found, kind: 'urlset', entries: 1, bytes: 10, steps: [step] };
            const verdict = { state: 'open', say: 'as an earlier version had it', bolts: [], remarks: [] };
            const noindex = {
                say: 'meta robots says noindex',
                where: '<meta name="robots" content="noindex">, line 3',
            };
            const start = { ...facts.start, noindex };
            const url = facts.url;
            const differences = [
                { url, what: 'lands at', ours: 'https://a.example/a', other: 'https://a.example/b' },
                { url, what: 'noindex', ours: 'none', other: 'meta robots says noindex' },
            ];
            const worded = { ...facts, start, differences, sitemaps: [sitemap] };
            await store.pool.query('INSERT INTO door_check (id, site_id, url, at, report) VALUES (1, 7, ?, 5, ?)', [
                facts.url,
                JSON.stringify({ facts: worded, verdict }),
            ]);
            const whys = samplesOf(REVISIONS);
            const own = 'because somebody wrote it here';
            for (const [number, say] of [...whys.map(({ say }) => say), own].entries()) {
                await store.pool.query(
                    `INSERT INTO revision (survey_id, number, at, why, summary) VALUES (1, ?, 0, ?, '{}')`,
                    [number, say],
                );
            }
            await migrateStore(hold.access);
            const [rows] = await store.pool.query<RowDataPacket[]>('SELECT report FROM door_check');
            expect(rows[0]!.report).toEqual({ facts: worded });
            const [knock] = await listKnocks(store.db, 7);
            expect(knock!.report.verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'agent' }] });
            const told = toldReport(knock!.report).facts;
            expect(told.sitemaps).toEqual([sitemap]);
            expect(told.start.noindex).toEqual(noindex);
            expect(told.differences).toEqual(differences);
            // What is stored by this version is read as it was found.
            await addKnock(store.db, 7, knock!.report);
            expect((await listKnocks(store.db, 7))[0]!.report).toEqual(knock!.report);
            const kept = await listRevisions(store.db, 1);
            expect(kept.map(({ why }) => readProblem(why))).toEqual([
                ...whys.map(({ problem }) => problem),
                { code: 'told', params: { say: own } },
            ]);
            await store.close();
        } finally {
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        }
    });

    it('keep what a survey told of itself, as codes', async () => {
        const path = temporaryFolder('migrate-progress');
        const hold = await holdDatabase(openDataFolder(path));
        try {
            await migrateStore(hold.access, migrationsUpTo(13, join(path, 'before')));
            const store = openStore(hold.access);
            const host = {
                host: 'a.example',
                asked: 3,
                milliseconds: 9,
                inUse: 0,
                allowed: 2,
                delay: 0,
                crawlDelay: null,
            };
            const family = { pattern: '/a/{n}', example: 'https://a.example/a/1', read: 1, seen: 2, state: 'open' };
            const counts = {
                read: 4,
                unanswered: 1,
                found: 9,
                rate: 0.5,
                level: 2,
                levels: [{ from: 0, to: 0, read: 1, seen: 1 }],
            };
            const rest = { closedByRobots: 1, failures: 2, actions: 0, trapped: 0, checks: { done: 1, open: 2 } };
            const families = [{ ...family, reason: 'number', byHand: false }];
            const failure = writeProblem(problem('refused', { host: 'a.example' }));
            const before = {
                ...counts,
                ...rest,
                families,
                doing: 'asking for link targets elsewhere',
                waiting: 'a.example said “wait\\”; going on in 3 s',
                warning: 'The disk with the data folder has 3 MB left.',
                hosts: ['', 'answered 503', 'takes 7 times as long to answer as at first'].map((slowed) => ({
                    ...host,
                    slowed,
                })),
                recentFailures: [
                    { url: 'https://a.example/?a="say":"b"', say: 'the connection was lost: "reset"', at: 5 },
                    { url: 'https://a.example/b', say: failure, at: 6 },
                ],
            };
            await store.pool.query(
                `INSERT INTO job (survey_id, state, progress, created_at) VALUES (7, 'done', ?, 1), (8, 'done', NULL, 1), (9, 'done', ?, 1)`,
                [
                    JSON.stringify(before),
                    JSON.stringify({ ...before, doing: 'reading pages', waiting: '', warning: '' }),
                ],
            );
            await migrateStore(hold.access);
            const after = {
                ...counts,
                ...rest,
                families,
                doing: 'elsewhere',
                waiting: null,
                warning: null,
                hosts: [null, { code: 'answered', status: 503 }, { code: 'slower', times: 7 }].map((slowed) => ({
                    ...host,
                    slowed,
                })),
                recentFailures: before.recentFailures.map(({ url, say, at }) => ({ url, failure: say, at })),
            };
            expect((await readProgress(store.db, 7)).progress).toEqual(after);
            expect((await readProgress(store.db, 8)).progress).toBeNull();
            expect((await readProgress(store.db, 9)).progress).toEqual({ ...after, doing: 'pages' });
            await store.close();
        } finally {
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        }
    });
});

/** Notes of more than one sentence: what the file is has a code, the rest stays as it was told. */
const NOTES_OF_SEVERAL = [
    [
        'index of 2',
        'It is an index that another index names (https://a.example/m.xml), which the protocol does not allow; its files were read all the same',
    ],
    ['3 addresses in a feed', 'redirects to https://a.example/f. Line 4: An address has 2,048 characters or more'],
    ['not read', 'The file is empty'],
].map(([first = '', rest = '']) => ({
    say: `${first}. ${rest}`,
    found: [
        samplesOf(FILE_NOTES).find(({ say }) => say === first)?.problem ??
            (first === 'index of 2'
                ? problem('sitemap-index', { files: 2 })
                : problem('sitemap-read', { form: 'feed', entries: 3 })),
        problem('told', { say: rest }),
    ],
}));

/** The first so many migrations, as a folder of their own. */
function migrationsUpTo(count: number, folder: string): string {
    const from = join(projectRoot(), MIGRATIONS_FOLDER);
    const journal = JSON.parse(readFileSync(join(from, 'meta/_journal.json'), 'utf8')) as {
        entries: { tag: string }[];
    };
    const entries = journal.entries.slice(0, count);
    mkdirSync(join(folder, 'meta'), { recursive: true });
    writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
    for (const { tag } of entries) copyFileSync(join(from, `${tag}.sql`), join(folder, `${tag}.sql`));
    return folder;
}
