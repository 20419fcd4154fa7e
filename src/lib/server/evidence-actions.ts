/** Evidence added to a survey from the pages: uploaded, typed in, taken from another survey, or a bare count. */
import { lineFaultWords } from '../core/words/evidence.ts';
import { askedOnce } from './request-memo.ts';
import { BYTES_PER_TEXT, countKept } from '../core/kept.ts';
import { z } from 'zod';
import type { ColumnMapping } from '../core/evidence/column-mapping.ts';
import { IMPORT_KINDS, type EvidenceImport, type ImportKind, type ImportRow } from '../core/evidence/imports.ts';
import { GivenFacts, matchImport, type GivenFact } from '../core/areas/import-matches.ts';
import { DEFAULT_ROBOT_WORDS } from '../core/evidence/robot-agents.ts';
import type { Evidence } from '../core/evidence/evidence.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { shownList, type ShownList } from '../core/views/evidence.ts';
import { appFolder, appStore, openPacked } from './app.ts';
import { bareCount, importContext, makeImport } from './evidence/make-import.ts';
import { previewTable, readLog, readTable, readTyped, readUrls, type TablePreview } from './evidence/read-import.ts';
import { dropUpload, findUpload, keepUpload, type Upload } from './evidence/uploads.ts';
import { freeBytes, isFull, LEAST_FREE, sayFull } from './process/disk-space.ts';
import { summaryNow } from './revisions.ts';
import {
    addImport,
    listImports,
    loadBadLines,
    loadImports,
    type AddResult,
    type BadLineRow,
    type NewImport,
} from './store/evidence-store.ts';
import { findSurvey, type Survey } from './store/survey-store.ts';

/** @param doubt the file may not be what it was taken for: it is taken only when somebody says so */
export type Answer<T> = ({ ok: true } & T) | { ok: false; say: string; doubt?: boolean };

/** Keeps an uploaded file, and shows how its columns would be taken; an access log needs no showing. */
export async function takeUpload(
    survey: Survey,
    kind: ImportKind,
    name: string,
    body: ReadableStream,
    length?: number,
): Promise<Answer<{ upload: Upload; preview: TablePreview | null }>> {
    // The stream of the web is the same one in Node's own types.
    const kept = await keepUpload(appFolder(), kind, name, body as Parameters<typeof keepUpload>[3], length);
    if (!kept.ok) return kept;
    if (kind === 'log') return { ...kept, preview: null };
    const table = await previewTable(kept.upload.path, kind, importContext(survey.settings));
    if (table.ok) return { ok: true, upload: kept.upload, preview: table.preview };
    await dropUpload(kept.upload);
    return { ok: false, say: table.say.replace(kept.upload.id, name) };
}

/** Imports an uploaded file with the columns as they were confirmed. */
export async function importUpload(
    survey: Survey,
    id: string,
    how: { separator: string; mapping: ColumnMapping | null; robotWords: string[]; anyway: boolean },
): Promise<Answer<{ revision: number }>> {
    const upload = await findUpload(appFolder(), id);
    if (!upload) return { ok: false, say: 'The file is not kept any more. Give it again.' };
    const context = importContext(survey.settings);
    const words = how.robotWords.length > 0 ? how.robotWords : DEFAULT_ROBOT_WORDS;
    const read =
        upload.kind === 'log' || how.mapping === null
            ? await readLog(upload.path, words, context)
            : await readTable(upload.path, how.separator, how.mapping, context);
    if (!read.ok) return { ok: false, say: read.say.replace(upload.id, upload.name) };
    if (read.read.doubt !== '' && !how.anyway) {
        return { ok: false, doubt: true, say: `${upload.name} may not be what it is taken for: ${read.read.doubt}` };
    }
    const result = await addToSurvey(survey, makeImport(upload.kind, upload.name, read.read));
    if (result.ok) await dropUpload(upload);
    return result;
}

export function addTyped(survey: Survey, text: string): Promise<AddResult> {
    const read = readTyped(text, importContext(survey.settings));
    if (read.rows.length === 0) {
        return Promise.resolve({
            ok: false,
            say: read.badLines[0]
                ? `Line ${read.badLines[0].line}: ${lineFaultWords(read.badLines[0].why)}.`
                : 'Type at least one address.',
        });
    }
    return addToSurvey(survey, makeImport('manual', 'typed in', read));
}

export async function addFromSurvey(survey: Survey, number: number): Promise<AddResult> {
    const other = number === survey.number ? null : await findSurvey(appStore().db, survey.siteId, number);
    if (!other) return { ok: false, say: `There is no other survey ${number} of this site.` };
    const packed = await openPacked(other);
    const read = readUrls(packed.texts('url').all(), importContext(survey.settings));
    return addToSurvey(survey, makeImport('manual', `survey ${number}`, read));
}

const BareCount = z.object({
    kind: z.enum(IMPORT_KINDS),
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

async function addToSurvey(survey: Survey, made: NewImport): Promise<AddResult> {
    if (freeBytes(appFolder()) < LEAST_FREE) return { ok: false, say: `${sayFull(appFolder())} Nothing was imported.` };
    // Packed before the change, so that this revision can still be opened after it.
    const packed = await openPacked(survey, ['core', 'text', 'links']);
    const { isInternal } = importContext(survey.settings);
    const knownIds = addressNumbers(packed);
    const fresh = new Set<string>();
    for (const { url } of made.rows) if (!knownIds.has(url) && isInternal(url)) fresh.add(url);
    const summary = await summaryNow(survey);
    try {
        return await addImport(appStore().db, survey.id, made, [...fresh], knownIds, summary);
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
const loaded = new WeakMap<PackedSurvey, Promise<EvidenceImport[]>>();

export async function importsOf(survey: Survey): Promise<EvidenceImport[]> {
    const packed = await openPacked(survey);
    let imports = loaded.get(packed);
    if (!imports) {
        imports = importsAt(survey);
        loaded.set(packed, imports);
        imports.then(
            (lists) => countKept(packed, bytesOfRows(lists)),
            () => loaded.delete(packed),
        );
    }
    return imports;
}

/** Bytes the rows of lists take in memory, near enough. O(rows). */
function bytesOfRows(lists: readonly EvidenceImport[]): number {
    let bytes = 0;
    for (const { rows } of lists) {
        for (const { url, source, cells } of rows) {
            bytes += url.length + source.length + (3 + cells.length) * BYTES_PER_TEXT;
        }
    }
    return bytes;
}

/** All lists of a survey, without their rows. */
function importHeads({ id }: Survey): ReturnType<typeof listImports> {
    return askedOnce(`imports ${id}`, () => listImports(appStore().db, id));
}

/** Lists a survey had at its revision: those added later came with a later one. */
async function importsAt(survey: Survey): Promise<EvidenceImport[]> {
    const { db } = appStore();
    const heads = await importHeads(survey);
    const since = new Set(heads.filter(({ revision }) => revision > survey.revision).map(({ id }) => id));
    const all = await loadImports(db, survey.id, heads);
    return since.size === 0 ? all : all.filter(({ id }) => !since.has(id));
}

export async function shownImports(survey: Survey): Promise<ShownList[]> {
    const packed = await openPacked(survey);
    const revisions = new Map((await importHeads(survey)).map(({ id, revision }) => [id, revision]));
    return (await importsOf(survey)).map((list) => shownList(packed, list, revisions.get(list.id) ?? 1));
}

/** Which evidence was given to a survey at all; the others were not asked for. */
export async function givenEvidence(survey: Survey): Promise<Set<Evidence>> {
    const heads = await importHeads(survey);
    return new Set(heads.filter(({ revision }) => revision <= survey.revision).map((item) => item.kind));
}

/** Lines of an import that could not be read. */
export function badLinesOf(survey: Survey, importId: number): Promise<BadLineRow[]> {
    return Number.isInteger(importId) ? loadBadLines(appStore().db, survey.id, importId) : Promise.resolve([]);
}

/** Rows of an import that match no URL the survey knows. */
export async function unmatchedOf(survey: Survey, importId: number): Promise<ImportRow[]> {
    const found = (await importsOf(survey)).find((item) => item.id === importId);
    if (!found) return [];
    return matchImport(await openPacked(survey), found.rows).unmatched;
}

const facts = new WeakMap<EvidenceImport[], GivenFacts>();

/** What lists from elsewhere say of one page. */
export async function givenOf(survey: Survey, url: string): Promise<GivenFact[]> {
    const imports = await importsOf(survey);
    let given = facts.get(imports);
    if (!given) facts.set(imports, (given = new GivenFacts(imports)));
    return given.of(url);
}
