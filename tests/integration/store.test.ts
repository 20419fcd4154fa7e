/** The database: made from nothing, private, exact, and unharmed by a batch that arrives twice. */
import { copyFileSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emptyRows, type SurveyRows } from '$lib/core/survey/survey-rows.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { isDeadOwner, ownerName } from '$lib/server/jobs/worker-loop.ts';
import { openDataFolder, projectRoot, UserError } from '$lib/server/process/data-folder.ts';
import { holdDatabase } from '$lib/server/process/database-process.ts';
import { migrateStore, MIGRATIONS_FOLDER, openStore } from '$lib/server/store/connect.ts';
import { askToStop, renewLease, takeJob } from '$lib/server/store/job-store.ts';
import { packLinks, packPlaces, unpackLinks, unpackPlaces } from '$lib/server/store/packing.ts';
import { addSite, listSites, siteForStart } from '$lib/server/store/site-store.ts';
import {
    closeSurvey,
    createSurvey,
    deleteSurveys,
    findSurvey,
    getSurvey,
    listSurveys,
    sweepDeleted,
} from '$lib/server/store/survey-store.ts';
import { storeBatch } from '$lib/server/store/batch-store.ts';
import { LeaseLost } from '$lib/server/store/ownership.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { lives } from '../support/application.ts';
import { openInstance, temporaryFolder, type Instance } from '../support/instance.ts';
import { told } from '../support/problems.ts';

let instance: Instance;
beforeAll(async () => {
    instance = await openInstance();
});
afterAll(() => instance.close());

const SETTINGS = { ...DEFAULT_SETTINGS, start: 'https://site.example/' };

function sampleRows(): SurveyRows {
    const rows = emptyRows();
    // Addresses that a general collation would take for one another.
    const urls = ['/Tools', '/tools', '/tools ', '/tóols', '/tools%20', `/${'ü'.repeat(600)}`, '/😀'];
    rows.addresses = urls.map((path, id) => ({ id, url: `https://site.example${path}`, internal: id !== 3 }));
    rows.pages = [
        {
            address: 0,
            orderRead: 0,
            status: 200,
            notRead: '',
            failure: '',
            contentType: 'text/html',
            typeNote: told('sent as x'),
            bodyTrouble: told('cut'),
            markup: told('two titles'),
            redirectTo: 1,
            instantRefresh: null,
            title: 'Straße 😀 \\ " \' \u0000x',
            h1: '',
            description: 'd',
            language: 'cy',
            words: 0,
            metaRobots: 'noindex',
            xRobotsTag: '',
            noindex: true,
            noindexReason: told('meta'),
            nofollow: false,
            canonicals: [1, 2],
            robotsAllowed: null,
            robotsRule: '',
            credentialsRemoved: 2,
            bytes: 7,
            milliseconds: 3,
            readAt: 1_795_000_000_123,
            changedAt: 1_770_000_000_000,
            lastModified: null,
        },
    ];
    rows.lists = [
        {
            id: 0,
            links: [
                {
                    kind: 'a',
                    target: 1,
                    text: '',
                    fragment: 'f',
                    anchor: 'Ångström'.repeat(80),
                    name: '',
                    rel: 'nofollow',
                    marks: 19,
                },
                {
                    kind: 'other',
                    target: null,
                    text: 'mailto:x',
                    fragment: '',
                    anchor: '',
                    name: 'n',
                    rel: '',
                    marks: 0,
                },
            ],
        },
    ];
    rows.layouts = [{ id: 0, lines: [0, 4], columns: [1, 9], hrefs: ['../x', 'mailto:x'] }];
    rows.blocks = [{ id: 0, region: 'nav', place: 'div>nav>ul', list: 0, name: 'abc' }];
    rows.pageBlocks = [{ page: 0, ordinal: 0, block: 0, layout: 0, line: 12 }];
    rows.evidence = [
        { address: 1, evidence: 'sitemap', source: 'https://site.example/sitemap.xml', line: 3, lastmod: '2026-03-02' },
    ];
    rows.files = [
        {
            kind: 'robots',
            url: 'https://site.example/robots.txt',
            status: null,
            note: told('n'),
            entries: null,
            text: 'User-agent: *',
        },
    ];
    return rows;
}

describe('a survey in the database', () => {
    it('comes back exactly as it was stored', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'exact', SETTINGS);
        const survey = await createSurvey(db, site.id, SETTINGS);
        const rows = sampleRows();
        await storeBatch(db, survey.id, 1, rows);
        expect(await loadRows(db, survey.id)).toEqual(rows);
    });

    it('takes a batch once, however often it is sent', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'twice', SETTINGS);
        const survey = await createSurvey(db, site.id, SETTINGS);
        await storeBatch(db, survey.id, 1, sampleRows());
        await storeBatch(db, survey.id, 1, sampleRows());
        expect((await loadRows(db, survey.id)).pages).toHaveLength(1);
        expect((await getSurvey(db, survey.id))?.batches).toBe(1);
    });

    it('takes a batch whole or not at all', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'whole', SETTINGS);
        const survey = await createSurvey(db, site.id, SETTINGS);
        const bad = sampleRows();
        bad.evidence[0]!.lastmod = 'x'.repeat(100);
        // LOAD DATA would clamp the value with a mere warning: it is noticed, said, and the batch sent again, checked.
        const said: string[] = [];
        const onMismatch = (say: string): void => void said.push(say);
        await expect(storeBatch(db, survey.id, 1, bad, { onMismatch })).rejects.toThrow(/lastmod/);
        expect(said).toEqual([
            expect.stringMatching(/^survey \d+, batch 1: evidence: 1 rows were sent, 1 stored, 1 warnings/),
        ]);
        expect(await loadRows(db, survey.id)).toEqual(emptyRows());
    });

    it('is numbered within its site, also when two are asked for at once', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'numbers', SETTINGS);
        await Promise.all(Array.from({ length: 4 }, () => createSurvey(db, site.id, SETTINGS)));
        expect((await listSurveys(db, site.id)).map((survey) => survey.number)).toEqual([4, 3, 2, 1]);
        const other = await addSite(db, 'numbers too', SETTINGS);
        expect((await createSurvey(db, other.id, SETTINGS)).number).toBe(1);
    });

    it('can be closed and deleted', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'deleted', SETTINGS);
        const survey = await createSurvey(db, site.id, SETTINGS);
        await storeBatch(db, survey.id, 1, sampleRows());
        await closeSurvey(db, survey.id, { state: 'finished', cut: ['max-pages', 'stopped'], trouble: told('t') });
        expect(await findSurvey(db, site.id, 1)).toMatchObject({
            state: 'finished',
            cut: ['max-pages', 'stopped'],
            trouble: told('t'),
            revision: 1,
        });
        await deleteSurveys(db, [survey.id]);
        expect(await getSurvey(db, survey.id)).toBeNull();
        expect(await listSurveys(db, site.id)).toEqual([]);
        for (let more = true; more; more = await sweepDeleted(db));
        expect(await loadRows(db, survey.id)).toEqual(emptyRows());
    });

    it('belongs to one site per start page on the command line', async () => {
        const { db } = instance.store;
        const settings = { ...SETTINGS, start: 'https://once.example/' };
        const first = await siteForStart(db, 'once', settings);
        const again = await siteForStart(db, 'once', { ...settings, maxPages: 7 });
        expect(again.id).toBe(first.id);
        expect((await listSites(db)).find((site) => site.id === first.id)?.settings.maxPages).toBe(7);
    });
});

describe('packing', () => {
    it('keeps lists and layouts of any length', () => {
        const { lists, layouts } = sampleRows();
        for (const links of [[], lists[0]!.links, Array.from({ length: 3000 }, () => lists[0]!.links[0]!)])
            expect(unpackLinks(packLinks({ links }))).toEqual(links);
        expect(unpackPlaces(0, packPlaces(layouts[0]!))).toEqual(layouts[0]);
    });
});

describe('jobs', () => {
    it('go to one worker, and to another only when the lease ran out or its owner died', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'jobs', SETTINGS);
        for (let job = await takeJob(db, 'tidy', () => false); job; job = await takeJob(db, 'tidy', () => false)) {
            // Jobs of the tests before are taken out of the way.
        }
        const survey = await createSurvey(db, site.id, SETTINGS);
        const taken = await Promise.all(['one', 'two', 'three'].map((owner) => takeJob(db, owner, () => false)));
        expect(taken.filter((job) => job !== null)).toEqual([
            { id: expect.any(Number) as number, surveyId: survey.id, attempts: 1 },
        ]);
        expect(await takeJob(db, 'four', () => false)).toBeNull();
        expect(await takeJob(db, 'four', (owner) => owner !== 'tidy')).toMatchObject({
            surveyId: survey.id,
            attempts: 2,
        });
        expect(await renewLease(db, survey.id, 'one')).toEqual({ ours: false, stopAsked: false, pauseAsked: false });
        await askToStop(db, survey.id);
        expect(await renewLease(db, survey.id, 'four')).toEqual({ ours: true, stopAsked: true, pauseAsked: false });
    });

    it('let nobody store or close who lost the lease, not even what was under way', async () => {
        const { db } = instance.store;
        const site = await addSite(db, 'fenced', SETTINGS);
        const survey = await createSurvey(db, site.id, SETTINGS, { owner: 'first', leaseUntil: Date.now() - 1 });
        await storeBatch(db, survey.id, 1, emptyRows(), { owner: 'first' });
        expect(await takeJob(db, 'second', () => false)).toMatchObject({ surveyId: survey.id });
        await expect(storeBatch(db, survey.id, 2, sampleRows(), { owner: 'first' })).rejects.toThrow(LeaseLost);
        await expect(
            closeSurvey(db, survey.id, { state: 'finished', cut: [], trouble: '' }, 'first'),
        ).rejects.toThrow();
        expect(await getSurvey(db, survey.id)).toMatchObject({ batches: 1, state: 'waiting' });
        await storeBatch(db, survey.id, 2, sampleRows(), { owner: 'second' });
        expect((await loadRows(db, survey.id)).pages).toHaveLength(1);
    });

    it('know a dead owner from a live one', () => {
        expect(isDeadOwner(ownerName())).toBe(false);
        expect(isDeadOwner(`${process.pid}:1`)).toBe(true);
        expect(isDeadOwner('')).toBe(true);
    });
});

describe('the server', () => {
    it('has an account of its own with a secret that only its owner can read, and no network', async () => {
        const secret = join(instance.folder.path, 'secret');
        expect(statSync(secret).mode & 0o777).toBe(0o600);
        expect(readFileSync(secret, 'utf8').trim()).toMatch(/^[0-9a-f]{48}$/);
        const [rows] = await instance.store.pool.query(
            'SELECT @@skip_networking AS skip, @@collation_database AS collation, @@time_zone AS zone, CURRENT_USER() AS user',
        );
        expect(rows).toEqual([{ skip: 1, collation: 'utf8mb4_nopad_bin', zone: '+00:00', user: 'edgemap@localhost' }]);
    });

    it('is shared by those who hold it, and ended by the last', async () => {
        const path = temporaryFolder('shared');
        const folder = openDataFolder(path);
        const first = await holdDatabase(folder);
        const before = readFileSync(join(folder.run, 'database.json'), 'utf8');
        const second = await holdDatabase(folder);
        expect(readFileSync(join(folder.run, 'database.json'), 'utf8')).toBe(before);
        await migrateStore(second.access);
        await second.release();
        await first.release();
        expect(lives((JSON.parse(before) as { pid: number }).pid)).toBe(false);
        // Started again, it has what it had.
        const again = await holdDatabase(folder);
        const store = openStore(again.access);
        expect(await listSites(store.db)).toEqual([]);
        await store.close();
        await again.release();
        rmSync(path, { recursive: true, force: true });
    });

    it('lives in a folder with spaces in its name that lies deeper than a socket path may be long', async () => {
        const path = temporaryFolder('with a space');
        const folder = openDataFolder(join(path, 'deep and deeper/'.repeat(8), 'data'));
        expect(Buffer.byteLength(folder.socket)).toBeLessThan(107);
        const hold = await holdDatabase(folder);
        await migrateStore(hold.access);
        const store = openStore(hold.access);
        expect(await listSites(store.db)).toEqual([]);
        await store.close();
        await hold.release();
        rmSync(path, { recursive: true, force: true });
    });

    it('refuses a data folder of a newer format with a sentence', () => {
        const path = temporaryFolder('newer');
        writeFileSync(join(path, 'format'), '99\n');
        expect(() => openDataFolder(path)).toThrow(UserError);
        expect(() => openDataFolder(path)).toThrow(/format 99/);
        rmSync(path, { recursive: true, force: true });
    });
});

describe('migrations', () => {
    it('run from empty and again without harm, several at once', async () => {
        await Promise.all([migrateStore(instance.hold.access), migrateStore(instance.hold.access)]);
        expect((await listSites(instance.store.db)).length).toBeGreaterThan(0);
    });

    it('run from each earlier version', async () => {
        const journal = JSON.parse(
            readFileSync(join(projectRoot(), MIGRATIONS_FOLDER, 'meta/_journal.json'), 'utf8'),
        ) as { entries: { tag: string }[] };
        const path = temporaryFolder('migrate');
        const folder = openDataFolder(path);
        const hold = await holdDatabase(folder);
        try {
            for (let version = 1; version <= journal.entries.length; version++) {
                const part = join(path, `migrations-${version}`);
                mkdirSync(join(part, 'meta'), { recursive: true });
                const entries = journal.entries.slice(0, version);
                writeFileSync(join(part, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
                for (const { tag } of entries)
                    copyFileSync(join(projectRoot(), MIGRATIONS_FOLDER, `${tag}.sql`), join(part, `${tag}.sql`));
                await migrateStore(hold.access, part);
            }
            await migrateStore(hold.access);
            const store = openStore(hold.access);
            expect(await listSites(store.db)).toEqual([]);
            await store.close();
        } finally {
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        }
    });
});
