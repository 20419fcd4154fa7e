/** The packed survey in the database: the same again, and made anew whenever it is not what it should be. */
import { problem } from '$lib/core/problems/problem.ts';
import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PARTS, PackedSurvey } from '$lib/core/packed/packed-survey.ts';
import { type Part } from '$lib/core/columns/column.ts';
import { pageSheet } from '$lib/core/areas/page-sheet.ts';
import { pathBetween } from '$lib/core/areas/path-between.ts';
import { siteMeasures } from '$lib/core/areas/site-measures.ts';
import { decodeSections, encodeSections, type Sections } from '$lib/core/packed/sections.ts';
import { evaluateIn } from '$lib/server/current-set.ts';
import { packClosed } from '$lib/server/jobs/pack-closed.ts';
import type { PackedParts } from '$lib/core/pack/pack-survey.ts';
import { appStore, openPacked, SurveyGone } from '$lib/server/app.ts';
import { packInThread } from '$lib/server/pack/pack-in-thread.ts';
import { makeAndSavePacked, makePacked } from '$lib/server/pack/pack-survey.ts';
import { WordsAhead } from '$lib/server/pack/words-ahead.ts';
import { OpenSurveys } from '$lib/server/open/open-surveys.ts';
import { packedOf } from '$lib/wire/packed-head.ts';
import { keepRevision } from '$lib/server/store/evidence-store.ts';
import { loadPacked, savePacked, savePart } from '$lib/server/store/packed-store.ts';
import { packedChunks, packedParts, revisions } from '$lib/server/store/schema.ts';
import { saveIntended } from '$lib/server/store/intended-store.ts';
import { saveSet, setPriority } from '$lib/server/store/set-store.ts';
import { deleteSurveys, type Survey } from '$lib/server/store/survey-store.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { makeSurvey, redirectTo, tableSite, type MadeSurvey } from '../support/survey.ts';
import { until } from '../support/command.ts';
import { languageOf } from '$lib/core/text/language.ts';
import { stemmerOf } from '$lib/core/text/stems.ts';
import { WordIndex } from '$lib/core/text/word-index.ts';
import { wordsOf } from '$lib/core/text/words.ts';
import { mainTexts } from '$lib/server/store/main-text-store.ts';

const BEFORE_A_LIST = problem('before-list', { name: 'a.csv' });

let instance: Instance;
let made: MadeSurvey;
let fresh: PackedParts;

const TEXT = Array.from({ length: 80 }, (_, index) => `word${index}`).join(' ');
const MENU = '<nav><a href="/">Home</a> <a href="/a">A</a> <a href="/b">B</a></nav>';
const SITE = tableSite({
    '/': `<title>Home</title>${MENU}<main><p><a href="/hub">The hub</a></p></main>`,
    '/a': `<title>Same</title>${MENU}<main><p>${TEXT}</p></main>`,
    '/b': `<title>Same</title>${MENU}<main><p>${TEXT} end</p></main>`,
    '/hub': '<title>Hub</title><main><p><a href="/c">C</a> <a href="/old" rel="nofollow">Old</a></p></main>',
    '/c': '<title>C</title><main><p><a href="/lost">Lost</a></p></main>',
    '/old': redirectTo('/d'),
    '/d': '<title>D</title><main><p><a href="/">Home</a></p></main>',
});

beforeAll(async () => {
    instance = await openInstance();
    made = await makeSurvey(instance, SITE);
    await packClosed(instance.store.access, made.survey.id);
    fresh = await makePacked(instance.store.db, made.survey);
});
afterAll(() => instance.close());

const load = (part: Part, revision = 1) => loadPacked(instance.store.db, made.survey.id, revision, part);

async function sectionsOf(part: Part): Promise<Sections> {
    const loaded = await load(part);
    if (!loaded.ok) throw new Error(loaded.why);
    return loaded.sections;
}

async function stored(): Promise<PackedSurvey> {
    const parts = new Map<Part, Sections>();
    for (const part of PARTS) parts.set(part, await sectionsOf(part));
    return packedOf(parts)!;
}

const paths = async (line: string): Promise<string[]> => {
    const surveys = { db: instance.store.db, open: () => stored(), words: () => Promise.resolve(null) };
    const { bits, survey, trouble } = await evaluateIn(surveys, made.survey, line);
    if (trouble) throw new Error(trouble.say);
    return Array.from(bits.nodes(), (node) => survey.url(node).replace('https://www.site.example', ''));
};

describe('a packed survey', () => {
    it('is there when the survey has ended, with the very numbers that its rows give', async () => {
        for (const part of PARTS) {
            const { columns } = await sectionsOf(part);
            const again = fresh.parts.get(part)!.columns;
            expect([...columns.keys()]).toEqual([...again.keys()]);
            for (const [name, column] of columns) expect([...column], name).toEqual([...again.get(name)!]);
        }
        expect((await stored()).head).toEqual(fresh.survey.head);
    });

    it('knows what the site was made with', async () => {
        // What stands behind /c did not answer 200: that is no page.
        expect(await paths('choke point')).toEqual(['/hub', '/old']);
        expect(await paths('behind (path is /hub)')).toEqual(['/c', '/d', '/lost', '/old']);
        expect(await paths('decline only')).toEqual(['/d']);
        expect(await paths('links to (error)')).toEqual(['/c']);
        expect(await paths('linked from (path is "/") via nav')).toEqual(['/a', '/b']);
        expect(await paths('same title')).toEqual(['/a', '/b']);
        expect(await paths('near text')).toEqual(['/a', '/b']);
        expect(await paths('same text')).toEqual([]);
        expect(await paths('leak > 0')).toEqual(['/c']);
        const survey = await stored();
        const { chokePoints, templates, ranked } = siteMeasures(survey);
        expect(chokePoints[0]).toMatchObject({ url: 'https://www.site.example/hub', load: 2 });
        expect(templates).toMatchObject([{ region: 'nav', pages: 3, holds: 2 }]);
        expect(ranked).toBe(6);
        const way = pathBetween(
            survey,
            survey.nodeOf('https://www.site.example/a'),
            survey.nodeOf('https://www.site.example/d'),
        );
        expect(way?.steps.map((step) => [step.by, step.anchor])).toEqual([
            ['start', ''],
            ['link', 'Home'],
            ['link', 'The hub'],
            ['link', 'Old'],
            ['redirect', ''],
        ]);
        const sheet = pageSheet(survey, survey.nodeOf('https://www.site.example/a'));
        expect(sheet.doubles.map(({ what, others }) => [what, others])).toEqual([
            ['nearly the same main text', 1],
            ['the same title', 1],
        ]);
    });

    it('knows saved sets and priorities of its site', async () => {
        const { db } = instance.store;
        await saveSet(db, made.survey.siteId, 'deep', 'depth > 1');
        await setPriority(db, made.survey.siteId, 'page', 'https://www.site.example/d', 1);
        await setPriority(db, made.survey.siteId, 'set', 'set "deep"', 2);
        expect(await paths('set "deep" and page')).toEqual(['/c', '/d']);
        expect(await paths('priority = 1')).toEqual(['/d']);
        expect(await paths('priority = 2 and page')).toEqual(['/c']);
        await setPriority(db, made.survey.siteId, 'page', 'https://www.site.example/d', null);
        expect(await paths('priority = 1')).toEqual([]);
        await saveSet(db, made.survey.siteId, 'deep', 'error');
        expect(await paths('set "deep"')).toEqual(['/lost']);
    });

    it('knows the intended structure of its site', async () => {
        const { db } = instance.store;
        const { siteId } = made.survey;
        await expect(paths('intended')).rejects.toThrow('Nothing says yet how the site is meant to be built');
        const page = (label: string, parent: number | null, priority: number | null) => ({ label, parent, priority });
        await saveIntended(db, siteId, [page('/', null, 1), page('/c', 0, 2), page('Nowhere', 0, null)]);
        expect(await paths('intended')).toEqual(['/', '/c']);
        expect(await paths('intended but not linked')).toEqual(['/c']);
        expect(await paths('priority = 1')).toEqual(['/']);
        await saveIntended(db, siteId, []);
        expect(await paths('priority = 1')).toEqual([]);
    });

    it('is whole and the same for all where several processes ask for it at the same time', async () => {
        const { db, access } = instance.store;
        const { id } = made.survey;
        const forAll = { make: 'kept', wanted: true } as const;
        for (let round = 0; round < 3; round++) {
            await db.delete(packedParts).where(eq(packedParts.surveyId, id));
            await db.delete(packedChunks).where(eq(packedChunks.surveyId, id));
            const all = await Promise.all([
                packInThread(access, id, forAll),
                packInThread(access, id, forAll),
                makeAndSavePacked(db, made.survey).then(({ parts }) => parts),
                packInThread(access, id, { make: 'shown', wanted: true }),
            ]);
            for (const parts of all) {
                for (const part of PARTS) {
                    for (const [name, column] of parts.get(part)!.columns) {
                        expect([...column], name).toEqual([...fresh.parts.get(part)!.columns.get(name)!]);
                    }
                }
            }
            const stored = await db.select().from(packedParts).where(eq(packedParts.surveyId, id));
            expect(stored.map(({ part }) => part).sort()).toEqual([...PARTS].sort());
        }
    });

    it('is stored by one after the other: two at once would lock each other out of an empty table', async () => {
        const { db, pool } = instance.store;
        const { id } = made.survey;
        const first = await pool.getConnection();
        await first.beginTransaction();
        await first.query('SELECT id FROM survey WHERE id = ? FOR UPDATE', [id]);
        let isStored = false;
        const second = savePacked(db, id, 1, fresh.parts).then(() => (isStored = true));
        // As long as the first has not ended, the second cannot begin, however long that takes.
        await until('the second to wait for the first', async () => {
            const [rows] = await pool.query('SHOW FULL PROCESSLIST');
            return (rows as { Info: string | null }[]).some(({ Info }) => /^select .* for update$/is.test(Info ?? ''));
        });
        expect(isStored).toBe(false);
        await first.commit();
        first.release();
        await second;
        for (const part of PARTS) expect((await load(part)).ok).toBe(true);
    });

    it('is not stored of a survey that was deleted meanwhile', async () => {
        const { db } = instance.store;
        const other = await makeSurvey(instance, tableSite({ '/': 'x' }));
        await deleteSurveys(db, [other.survey.id]);
        await savePacked(db, other.survey.id, 1, fresh.parts);
        expect(await db.select().from(packedChunks).where(eq(packedChunks.surveyId, other.survey.id))).toEqual([]);
    });

    it('says why a survey that is gone cannot be packed', async () => {
        await expect(packInThread(instance.store.access, 999_999, { make: 'kept', wanted: true })).rejects.toThrow(
            'the survey is gone',
        );
    });

    it('is told as gone to whoever looks at a survey while it is deleted', async () => {
        const other = await makeSurvey(instance, tableSite({ '/': 'x' }));
        process.env.EDGEMAP_DATA = instance.folder.path;
        await deleteSurveys(instance.store.db, [other.survey.id]);
        await expect(openPacked(other.survey)).rejects.toThrow(SurveyGone);
        await appStore().close();
        delete process.env.EDGEMAP_DATA;
    });

    it('stays in memory within one limit, the one in use always, those looked at longest ago gone first', async () => {
        const surveys = [made.survey];
        for (const title of ['one', 'two', 'three']) {
            const other = await makeSurvey(instance, tableSite({ '/': `<title>${title}</title>` }));
            surveys.push(other.survey);
        }
        const [first, second, third, fourth] = surveys as [Survey, Survey, Survey, Survey];
        const open = new OpenSurveys(() => instance.store, 1_000_000_000);
        const opened = new Map<Survey, PackedSurvey>();
        for (const survey of surveys) opened.set(survey, await open.open(survey, [...PARTS]));
        // Nothing is made twice, and the whole is the sum.
        expect(await open.open(first)).toBe(opened.get(first));
        expect(open.bytes).toBe([...opened.values()].reduce((sum, packed) => sum + packed.bytes, 0));
        // What is worked out of a survey counts from then on.
        const before = open.bytes;
        siteMeasures(opened.get(first)!);
        opened.get(first)!.texts('title').lower();
        expect(open.bytes).toBeGreaterThan(before + 100);

        const narrow = new OpenSurveys(() => instance.store, open.bytes - opened.get(second)!.bytes);
        const held = new Map<Survey, PackedSurvey>();
        for (const survey of [first, second, third]) held.set(survey, await narrow.open(survey, [...PARTS]));
        await narrow.open(first);
        // Too much with the fourth: the second was looked at longest ago.
        siteMeasures(held.get(first)!);
        held.get(first)!.texts('title').lower();
        await narrow.open(fourth, [...PARTS]);
        expect(await narrow.open(first)).toBe(held.get(first));
        expect(await narrow.open(third)).toBe(held.get(third));
        expect(await narrow.open(second)).not.toBe(held.get(second));
        const none = new OpenSurveys(() => instance.store, 0);
        const alone = await none.open(first);
        expect(await none.open(first)).toBe(alone);
        await none.open(second);
        expect(none.bytes).toBe((await none.open(second)).bytes);
    });

    it('stays beside a newer revision where it was to be kept, and goes where it was not', async () => {
        const { db } = instance.store;
        const { id } = made.survey;
        const parts = fresh.parts;
        const there = async (): Promise<number[]> => {
            const found: number[] = [];
            for (const revision of [1, 2, 3, 4]) if ((await load('core', revision)).ok) found.push(revision);
            return found;
        };
        await keepRevision(db, id, 1, Date.now(), BEFORE_A_LIST, {});
        await savePacked(db, id, 2, parts);
        expect(await there()).toEqual([1, 2]);
        // Nothing asked for revision 2 to be kept.
        await savePacked(db, id, 3, parts);
        expect(await there()).toEqual([1, 3]);
        await keepRevision(db, id, 3, Date.now(), BEFORE_A_LIST, {});
        await savePacked(db, id, 4, parts);
        expect(await there()).toEqual([1, 3, 4]);
        for (const [name, column] of parts.get('core')!.columns) {
            const loaded = await load('core', 1);
            expect(loaded.ok && [...loaded.sections.columns.get(name)!], name).toEqual([...column]);
        }
        await db.delete(revisions).where(eq(revisions.surveyId, id));
        await savePacked(db, id, 1, parts);
        expect(await there()).toEqual([1]);
    });

    it('has its measures made anew from its facts where they are of another version or not there', async () => {
        const { db } = instance.store;
        const { survey } = made;
        const ofMeasures = and(eq(packedParts.surveyId, survey.id), eq(packedParts.part, 'measures'));
        const same = async (revision: number): Promise<void> => {
            const loaded = await load('measures', revision);
            expect(loaded.ok && loaded.sections.head).toEqual(fresh.parts.get('measures')!.head);
            for (const [name, column] of fresh.parts.get('measures')!.columns) {
                expect(loaded.ok && [...loaded.sections.columns.get(name)!], name).toEqual([...column]);
            }
        };
        const older = fresh.parts.get('measures')!;
        const wrong = new Map(older.columns).set('depth', new Uint8Array(fresh.survey.count));
        await savePart(db, survey.id, 1, 'measures', {
            head: { ...(older.head as object), measures: 0 },
            columns: wrong,
        });
        const opened = await new OpenSurveys(() => instance.store).open(survey);
        expect([...opened.numbers('depth')]).toEqual([...fresh.survey.numbers('depth')]);
        await same(1);

        // As the version before packed it: all in one part. The bytes a browser is given are made as well.
        const core = fresh.parts.get('core')!;
        const { facts: _, ...head } = core.head as Record<string, unknown>;
        const whole = { head: { ...head, templates: [], leak: 0 }, columns: new Map([...core.columns, ...wrong]) };
        await savePart(db, survey.id, 1, 'core', whole);
        await db.delete(packedParts).where(ofMeasures);
        const bytes = await new OpenSurveys(() => instance.store).bytesOf(survey, 'measures');
        expect([...decodeSections(bytes!).columns.get('depth')!]).toEqual([...fresh.survey.numbers('depth')]);
        await same(1);

        // An earlier revision, whose rows are not there any more.
        await keepRevision(db, survey.id, 1, Date.now(), BEFORE_A_LIST, {});
        await savePacked(db, survey.id, 2, fresh.parts);
        await savePart(db, survey.id, 1, 'core', whole);
        await db.delete(packedParts).where(and(ofMeasures, eq(packedParts.revision, 1)));
        const earlier = await new OpenSurveys(() => instance.store).open({ ...survey, revision: 1, latest: 2 });
        expect(earlier.head.facts).toBe(1);
        expect([...earlier.numbers('depth')]).toEqual([...fresh.survey.numbers('depth')]);
        await same(1);
        await db.delete(revisions).where(eq(revisions.surveyId, survey.id));
        await savePacked(db, survey.id, 1, fresh.parts);
    });

    it('has an index of the words of main texts, made behind it, kept, and made anew where it is not there', async () => {
        const { db } = instance.store;
        const { survey } = made;
        const open = new OpenSurveys(() => instance.store);
        const index = async (): Promise<WordIndex> =>
            new WordIndex(decodeSections((await open.bytesOf(survey, 'words'))!));
        // Whatever packs a survey that was closed makes it too.
        await packClosed(instance.store.access, survey.id);
        expect((await loadPacked(db, survey.id, survey.revision, 'words')).ok).toBe(true);
        const words = await index();
        expect(words.count).toBe(fresh.survey.count);
        // Word by word, from the texts as the rows have them, without those of shared blocks.
        const texts = new Map<number, string>();
        for await (const { page, text } of mainTexts(db, survey.id)) texts.set(page, text);
        expect(texts.size).toBeGreaterThan(3);
        const addresses = fresh.survey.numbers('address');
        const all = new Set<string>();
        for (let node = 0; node < words.count; node++) {
            const stem = stemmerOf(languageOf(fresh.survey.word('language', node)));
            const found = wordsOf(texts.get(addresses[node]!) ?? '').map(({ word }) => stem(word));
            for (const word of found) {
                const at = Array.from(words.postings(word).nodes).indexOf(node);
                if (at === -1) continue;
                all.add(word);
                expect(words.postings(word).times[at]).toBe(found.filter((item) => item === word).length);
            }
            expect(words.wordsAt(node)).toBeLessThanOrEqual(found.length);
        }
        expect(all.size).toBe(words.stems);
        // Gone, or of another version: it is made again from the texts.
        const ofWords = and(eq(packedParts.surveyId, survey.id), eq(packedParts.part, 'words'));
        await db.delete(packedParts).where(ofWords);
        expect((await index()).stems).toBe(words.stems);
        const kept = await loadPacked(db, survey.id, survey.revision, 'words');
        if (!kept.ok) throw new Error(kept.why);
        const another = { head: { words: 0, count: 1 }, columns: kept.sections.columns };
        await savePart(db, survey.id, survey.revision, 'words', another);
        expect((await index()).count).toBe(words.count);
    });

    it('has the same index where its texts are taken in while it is packed', async () => {
        const { db, access } = instance.store;
        const { survey } = made;
        const bytes = async (): Promise<Buffer> => {
            const kept = await loadPacked(db, survey.id, survey.revision, 'words');
            if (!kept.ok) throw new Error(kept.why);
            return Buffer.from(encodeSections(kept.sections));
        };
        await packClosed(access, survey.id);
        const behind = await bytes();
        // Nothing of it is packed: words that did not wait for that would find no survey.
        await db.delete(packedParts).where(eq(packedParts.surveyId, survey.id));
        const ahead = new WordsAhead(access, survey.id);
        ahead.getReady(1_000);
        const words = ahead.made(makeAndSavePacked(db, survey));
        expect(Buffer.from(encodeSections(await words)).equals(behind)).toBe(true);
        expect((await bytes()).equals(behind)).toBe(true);
    });

    it('has no index, and says why, where it was not packed after all or has not ended', async () => {
        const { access } = instance.store;
        const failed = new WordsAhead(access, made.survey.id);
        await expect(failed.made(Promise.reject(new Error('the disk is full')))).rejects.toThrow('ended early');
        // Nobody asks for what was dropped; a thread that got ready ends.
        const dropped = new WordsAhead(access, made.survey.id);
        dropped.getReady(1_000);
        dropped.drop();
        await expect(dropped.made(Promise.resolve())).rejects.toThrow('ended early');
    });

    it('is refused when it is damaged, cut, older, of another version or not there', async () => {
        const { db } = instance.store;
        const ofPart = and(eq(packedChunks.surveyId, made.survey.id), eq(packedChunks.part, 'core'));
        const [chunk] = await db.select().from(packedChunks).where(ofPart);
        const put = (bytes: Buffer) => db.update(packedChunks).set({ bytes }).where(ofPart);
        const why = async (): Promise<string> => {
            const loaded = await load('core');
            return loaded.ok ? 'fine' : 'refused';
        };
        expect(await why()).toBe('fine');
        for (const at of [0, 40, Math.floor(chunk!.bytes.length / 2), chunk!.bytes.length - 1]) {
            const harmed = Buffer.from(chunk!.bytes);
            harmed[at]! ^= 0xff;
            await put(harmed);
            expect(await why(), `byte ${at}`).toBe('refused');
        }
        await put(chunk!.bytes.subarray(0, 100));
        expect(await why()).toBe('refused');
        await put(chunk!.bytes);
        expect(await why()).toBe('fine');
        expect((await load('core', 2)).ok).toBe(false);
        const head = and(eq(packedParts.surveyId, made.survey.id), eq(packedParts.part, 'core'));
        for (const change of [{ format: 99 }, { chunks: 2 }, { size: 8 }, { size: 80_000_000 }]) {
            const [before] = await db.select().from(packedParts).where(head);
            await db.update(packedParts).set(change).where(head);
            expect(await why(), JSON.stringify(change)).toBe('refused');
            await db.update(packedParts).set(before!).where(head);
        }
        await db.delete(packedParts).where(head);
        expect(await why()).toBe('refused');
    });
});
