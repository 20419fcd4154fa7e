/** Evidence added to a survey from the pages: uploaded, typed in, taken from another survey, or a bare count. */
import { lineFaultWords } from '../core/words/evidence.ts';
import { askedOnce } from './request-memo.ts';
import { BYTES_PER_TEXT, countKept } from '../core/kept.ts';
import { z } from 'zod';
import type { ColumnMapping } from '../core/evidence/column-mapping.ts';
import { LIST_KINDS, type EvidenceList, type ListKind, type ListRow } from '../core/evidence/evidence-lists.ts';
import { GivenFacts, matchList, type GivenFact } from '../core/areas/list-matches.ts';
import { DEFAULT_ROBOT_WORDS } from '../core/evidence/robot-agents.ts';
import type { Evidence } from '../core/evidence/evidence.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { shownList, type ShownList } from '../core/views/evidence.ts';
import { appFolder, appStore, openPacked } from './app.ts';
import { bareCount, listContext, makeList } from './evidence/make-list.ts';
import { previewTable, readLog, readTable, readTyped, readUrls, type TablePreview } from './evidence/read-list.ts';
import { dropUpload, findUpload, keepUpload, type Upload } from './evidence/uploads.ts';
import { freeBytes, isFull, LEAST_FREE, sayFull } from './process/disk-space.ts';
import { summaryNow } from './revisions.ts';
import {
    addList,
    evidenceLists,
    loadBadLines,
    loadLists,
    type AddResult,
    type BadLineRow,
    type NewList,
} from './store/evidence-store.ts';
import { findSurvey, type Survey } from './store/survey-store.ts';

/** @param doubt the file may not be what it was taken for: it is taken only when somebody says so */
export type Answer<T> = ({ ok: true } & T) | { ok: false; say: string; doubt?: boolean };

/** Keeps an uploaded file, and shows how its columns would be taken; an access log needs no showing. */
export async function takeUpload(
    survey: Survey,
    kind: ListKind,
    name: string,
    body: ReadableStream,
    length?: number,
): Promise<Answer<{ upload: Upload; preview: TablePreview | null }>> {
    // The stream of the web is the same one in Node's own types.
    const kept = await keepUpload(appFolder(), kind, name, body as Parameters<typeof keepUpload>[3], length);
    if (!kept.ok) return kept;
    if (kind === 'log') return { ...kept, preview: null };
    const table = await previewTable(kept.upload.path, kind, listContext(survey.settings));
    if (table.ok) return { ok: true, upload: kept.upload, preview: table.preview };
    await dropUpload(kept.upload);
    return { ok: false, say: table.say.replace(kept.upload.id, name) };
}

/** Imports an uploaded file with the columns as they were confirmed. */
export async function addUpload(
    survey: Survey,
    id: string,
    how: { separator: string; mapping: ColumnMapping | null; robotWords: string[]; anyway: boolean },
): Promise<Answer<{ revision: number }>> {
    const upload = await findUpload(appFolder(), id);
    if (!upload) return { ok: false, say: 'The file is not kept any more. Give it again.' };
    const context = listContext(survey.settings);
    const words = how.robotWords.length > 0 ? how.robotWords : DEFAULT_ROBOT_WORDS;
    const read =
        upload.kind === 'log' || how.mapping === null
            ? await readLog(upload.path, words, context)
            : await readTable(upload.path, how.separator, how.mapping, context);
    if (!read.ok) return { ok: false, say: read.say.replace(upload.id, upload.name) };
    if (read.read.doubt !== '' && !how.anyway) {
        return { ok: false, doubt: true, say: `${upload.name} may not be what it is taken for: ${read.read.doubt}` };
    }
    const result = await addToSurvey(survey, makeList(upload.kind, upload.name, read.read));
    if (result.ok) await dropUpload(upload);
    return result;
}

export function addTyped(survey: Survey, text: string): Promise<AddResult> {
    const read = readTyped(text, listContext(survey.settings));
    if (read.rows.length === 0) {
        return Promise.resolve({
            ok: false,
            say: read.badLines[0]
                ? `Line ${read.badLines[0].line}: ${lineFaultWords(read.badLines[0].why)}.`
                : 'Type at least one address.',
        });
    }
    return addToSurvey(survey, makeList('manual', 'typed in', read));
}

export async function addFromSurvey(survey: Survey, number: number): Promise<AddResult> {
    const other = number === survey.number ? null : await findSurvey(appStore().db, survey.siteId, number);
    if (!other) return { ok: false, say: `There is no other survey ${number} of this site.` };
    const packed = await openPacked(other);
    const read = readUrls(packed.texts('url').all(), listContext(survey.settings));
    return addToSurvey(survey, makeList('manual', `survey ${number}`, read));
}

const BareCount = z.object({
    kind: z.enum(LIST_KINDS),
    name: z.string().trim().min(1, 'Say where the count is from.').max(200),
    count: z.coerce.number('A count is a whole number.').int('A count is a whole number.').min(0).max(1e12),
    day: z.iso.date('The day as YYYY-MM-DD.'),
});

export function addBareCount(survey: Survey, form: unknown): Promise<AddResult> {
    const read = BareCount.safeParse(form);
    if (!read.success) return Promise.resolve({ ok: false, say: read.error.issues[0]?.message ?? 'That is no count.' });
    const { kind, name, count, day } = read.data;
    return addToSurvey(survey, bareCount(kind, name, count, day));
}

async function addToSurvey(survey: Survey, made: NewList): Promise<AddResult> {
    if (freeBytes(appFolder()) < LEAST_FREE) return { ok: false, say: `${sayFull(appFolder())} Nothing was imported.` };
    // Packed before the change, so that this revision can still be opened after it.
    const packed = await openPacked(survey, ['core', 'text', 'links']);
    const { isInternal } = listContext(survey.settings);
    const knownIds = addressNumbers(packed);
    const fresh = new Set<string>();
    for (const { url } of made.rows) if (!knownIds.has(url) && isInternal(url)) fresh.add(url);
    const summary = await summaryNow(survey);
    try {
        return await addList(appStore().db, survey.id, made, [...fresh], knownIds, summary);
    } catch (error) {
        // All of it is one transaction: the survey is as it was.
        if (isFull(error)) return { ok: false, say: `${sayFull(appFolder())} Nothing was imported.` };
        throw error;
    }
}

/** Address numbers of the rows, by URL. */
function addressNumbers(packed: PackedSurvey): Map<string, number> {
    const ids = new Map<string, number>();
    const own = packed.numbers('address');
    packed
        .texts('url')
        .all()
        .forEach((url, node) => ids.set(url, own[node]!));
    const other = packed.numbers('other_address');
    packed
        .texts('other_url')
        .all()
        .forEach((url, index) => ids.set(url, other[index]!));
    return ids;
}

/** Imports with their rows, kept with the packed survey they belong to. */
const loaded = new WeakMap<PackedSurvey, Promise<EvidenceList[]>>();

export async function listsOf(survey: Survey): Promise<EvidenceList[]> {
    const packed = await openPacked(survey);
    let lists = loaded.get(packed);
    if (!lists) {
        lists = listsAt(survey);
        loaded.set(packed, lists);
        lists.then(
            (lists) => countKept(packed, bytesOfRows(lists)),
            () => loaded.delete(packed),
        );
    }
    return lists;
}

/** Bytes the rows of lists take in memory, near enough. O(rows). */
function bytesOfRows(lists: readonly EvidenceList[]): number {
    let bytes = 0;
    for (const { rows } of lists) {
        for (const { url, source, cells } of rows) {
            bytes += url.length + source.length + (3 + cells.length) * BYTES_PER_TEXT;
        }
    }
    return bytes;
}

/** All lists of a survey, without their rows. */
function listHeads({ id }: Survey): ReturnType<typeof evidenceLists> {
    return askedOnce(`lists ${id}`, () => evidenceLists(appStore().db, id));
}

/** Lists a survey had at its revision: those added later came with a later one. */
async function listsAt(survey: Survey): Promise<EvidenceList[]> {
    const { db } = appStore();
    const heads = await listHeads(survey);
    const since = new Set(heads.filter(({ revision }) => revision > survey.revision).map(({ id }) => id));
    const all = await loadLists(db, survey.id, heads);
    return since.size === 0 ? all : all.filter(({ id }) => !since.has(id));
}

export async function shownLists(survey: Survey): Promise<ShownList[]> {
    const packed = await openPacked(survey);
    const revisions = new Map((await listHeads(survey)).map(({ id, revision }) => [id, revision]));
    return (await listsOf(survey)).map((list) => shownList(packed, list, revisions.get(list.id) ?? 1));
}

/** Which evidence was given to a survey at all; the others were not asked for. */
export async function givenEvidence(survey: Survey): Promise<Set<Evidence>> {
    const heads = await listHeads(survey);
    return new Set(heads.filter(({ revision }) => revision <= survey.revision).map((item) => item.kind));
}

/** Access logs that a survey had at its revision. */
export async function givenLogs(survey: Survey): Promise<number> {
    const heads = await listHeads(survey);
    return heads.filter(({ kind, revision, outcome }) => kind === 'log' && revision <= survey.revision && !outcome.bare)
        .length;
}

/** Lines of a list that could not be read. */
export function badLinesOf(survey: Survey, listId: number): Promise<BadLineRow[]> {
    return Number.isInteger(listId) ? loadBadLines(appStore().db, survey.id, listId) : Promise.resolve([]);
}

/** Rows of a list that match no URL the survey knows. */
export async function unmatchedOf(survey: Survey, listId: number): Promise<ListRow[]> {
    const found = (await listsOf(survey)).find((item) => item.id === listId);
    if (!found) return [];
    return matchList(await openPacked(survey), found.rows).unmatched;
}

const facts = new WeakMap<EvidenceList[], GivenFacts>();

/** What lists from elsewhere say of one page. */
export async function givenOf(survey: Survey, url: string): Promise<GivenFact[]> {
    const lists = await listsOf(survey);
    let given = facts.get(lists);
    if (!given) facts.set(lists, (given = new GivenFacts(lists)));
    return given.of(url);
}
