/** What the routes use: the store, and packed surveys kept in memory for as long as they are looked at. */
import { PackedSurvey, type Part } from '../core/packed/packed-survey.ts';
import { contentTag, type Sections } from '../core/packed/sections.ts';
import { secretsKey } from './access/secret-box.ts';
import { dataFolderPath, openDataFolder } from './process/data-folder.ts';
import { databaseAccess } from './process/database-process.ts';
import { packInThread } from './pack/pack-in-thread.ts';
import { PackedHead } from '../wire/packed-head.ts';
import { loadPacked, loadPackedBytes, packedKey } from './store/packed-store.ts';
import { askedOnce } from './request-memo.ts';
import { openStore, type Database, type Store } from './store/connect.ts';
import { listRevisions } from './store/evidence-store.ts';
import { getSite, type Site } from './store/site-store.ts';
import { findSurvey, getSurvey, listSurveys, type Survey } from './store/survey-store.ts';

let store: Store | null = null;

/** The store of this process, opened on first use. */
export function appStore(): Store {
    store ??= openStore(databaseAccess(openDataFolder(dataFolderPath())));
    return store;
}

/** The data folder of this instance. */
export function appFolder(): string {
    return openDataFolder(dataFolderPath()).path;
}

/** The key that opens this instance's secrets. */
export function appKey(): Buffer {
    return secretsKey(openDataFolder(dataFolderPath()).path);
}

/** A survey that still runs is packed anew after this long, not patched; and never more than a fifth of the time. */
const RUNNING_MILLISECONDS = 3_000;
const REST_PER_PACKING = 4;

/** True when nothing more is being read: it ended, or was paused. */
export function isEnded(survey: Survey): boolean {
    return survey.state !== 'waiting' && survey.state !== 'running';
}

/** True for a survey as it was before something changed it: the database holds its packed form, and newer rows. */
export function isEarlier(survey: Survey): boolean {
    return survey.revision < survey.latest;
}

/** An earlier revision that was kept and cannot be read: it cannot be made again either. */
export class RevisionLost extends Error {}

/** A survey that was deleted while somebody looked at it: whatever failed, failed because of that. */
export class SurveyGone extends Error {}

interface KeptPacked {
    packed: Promise<PackedSurvey>;
    /** State, revision and batches of the survey when it was made. */
    key: string;
    /** When it was made; null while it is in the making. */
    at: number | null;
    /** How long making it took, milliseconds. */
    took: number;
    /** Bytes of its parts. */
    bytes: number;
    /** A newer one is in the making; until it is there this one is shown. */
    isRenewed: boolean;
}

/** Packed surveys by survey and revision, the last used last. */
const keptPacked = new Map<string, KeptPacked>();
/** Packed surveys stay in memory up to so many bytes together; the one in use always does. */
const MOST_PACKED_BYTES = 1024 * 1024 * 1024;

/**
 * The packed survey of a survey with the parts that are asked for. One that has ended is read from the database, and
 * made again where that cannot be; one that still runs is made from its rows every few seconds.
 */
export async function openPacked(survey: Survey, parts: readonly Part[] = ['core', 'text']): Promise<PackedSurvey> {
    const ended = isEnded(survey);
    // A running survey has new batches all the time: it is made anew when it is due, not with each of them.
    const key = ended ? `${survey.state} ${survey.revision} ${survey.batches}` : survey.state;
    // An earlier revision stands beside the newest; a new one takes the place of the one before it.
    const place = isEarlier(survey) ? `${survey.id}.${survey.revision}` : `${survey.id}`;
    let known = keptPacked.get(place);
    if (known?.key !== key) {
        const entry = { key, at: null, took: 0, bytes: 0, isRenewed: false };
        const packed = isClosed(survey) ? loadOrMake(survey, entry) : make(survey, entry, false);
        const made: KeptPacked = Object.assign(entry, { packed });
        packed.catch(() => {
            if (keptPacked.get(place) === made) keptPacked.delete(place);
        });
        known = made;
    } else if (!ended && isStale(known)) renew(survey, known);
    keptPacked.delete(place);
    keptPacked.set(place, known);
    const packed = await known.packed;
    for (const part of parts) if (!packed.has(part)) await addPart(survey, packed, part, known);
    let bytes = 0;
    for (const { bytes: own } of keptPacked.values()) bytes += own;
    for (const [other, { bytes: own }] of keptPacked) {
        if (bytes <= MOST_PACKED_BYTES || other === place) break;
        keptPacked.delete(other);
        bytes -= own;
    }
    return packed;
}

/**
 * The bytes of a part of a survey that has ended, as they are kept: the same that this process reads. Null while it runs:
 * what is made then is gone with the next look.
 */
export async function packedBytes(survey: Survey, part: Part): Promise<Uint8Array<ArrayBuffer> | null> {
    if (!isClosed(survey)) return null;
    const { db } = appStore();
    const load = () => loadPackedBytes(db, survey.id, survey.revision, part);
    let loaded = await load();
    if (!loaded.ok) {
        await openPacked(survey, [part]);
        loaded = await load();
    }
    if (!loaded.ok) return null;
    const key = await packedKey(db, survey.id, survey.revision, part);
    if (key !== null) {
        if (knownTags.size >= MOST_TAGS) knownTags.clear();
        knownTags.set(key, contentTag(loaded.bytes));
    }
    return loaded.bytes;
}

/** Tags of parts that were read since this process began, by how they are kept. */
const knownTags = new Map<string, string>();
const MOST_TAGS = 1_000;

/** The tag of a part's bytes where it is known without reading them; null where they have to be read first. */
export async function packedTag(survey: Survey, part: Part): Promise<string | null> {
    const key = isClosed(survey) ? await packedKey(appStore().db, survey.id, survey.revision, part) : null;
    return (key !== null && knownTags.get(key)) || null;
}

/** True when its rows are those of a revision: a paused survey goes on with the revision it has. */
export function isClosed(survey: Survey): boolean {
    return isEnded(survey) && survey.state !== 'paused';
}

function isStale({ at, took, isRenewed }: KeptPacked): boolean {
    return at !== null && !isRenewed && Date.now() - at >= Math.max(RUNNING_MILLISECONDS, took * REST_PER_PACKING);
}

/** Has a running survey packed anew behind the one that is shown: nobody waits for it. */
function renew(survey: Survey, known: KeptPacked): void {
    known.isRenewed = true;
    const entry = { at: known.at, took: known.took, bytes: 0 };
    make(survey, entry, false)
        .then((packed) => Object.assign(known, entry, { packed: Promise.resolve(packed) }))
        // The one that is shown stays; the next look tries again, unless the survey was deleted.
        .catch((failure: unknown) => {
            if (!(failure instanceof SurveyGone)) console.error(failure);
        })
        .finally(() => (known.isRenewed = false));
}

type Entry = Pick<KeptPacked, 'at' | 'took' | 'bytes'>;

/**
 * Parts of a survey, made from its rows in a thread of its own.
 * @throws SurveyGone where it was deleted meanwhile
 */
async function packedAnew(survey: Survey, save: boolean): Promise<Map<Part, Sections>> {
    const { access, db } = appStore();
    try {
        return await packInThread(access, survey.id, { save, wanted: true });
    } catch (failure) {
        if ((await getSurvey(db, survey.id)) === null) {
            throw new SurveyGone('This survey is not there any more: it was deleted.');
        }
        throw failure;
    }
}

/** Packs a survey from its rows. */
async function make(survey: Survey, entry: Entry, save: boolean): Promise<PackedSurvey> {
    const began = Date.now();
    const parts = await packedAnew(survey, save);
    const packed = new PackedSurvey(PackedHead.parse(parts.get('core')?.head));
    for (const [part, sections] of parts) {
        packed.add(part, sections);
        entry.bytes += bytesOf(sections);
    }
    entry.at = Date.now();
    entry.took = entry.at - began;
    return packed;
}

function bytesOf({ columns }: Sections): number {
    let bytes = 0;
    for (const column of columns.values()) bytes += column.byteLength;
    return bytes;
}

async function loadOrMake(survey: Survey, entry: Entry): Promise<PackedSurvey> {
    const { db } = appStore();
    const core = await loadPacked(db, survey.id, survey.revision, 'core');
    const head = core.ok ? PackedHead.safeParse(core.sections.head) : null;
    if (core.ok && head?.success) {
        const packed = new PackedSurvey(head.data);
        packed.add('core', core.sections);
        entry.bytes += core.bytes;
        return packed;
    }
    if (isEarlier(survey)) notKept(survey, core.ok ? 'its head is none of ours' : core.why);
    return make(survey, entry, true);
}

/** An earlier revision cannot be made again. */
function notKept(survey: Survey, why: string): never {
    throw new RevisionLost(
        `Revision ${survey.revision} cannot be shown any more: ${why}. Its counts are still there, under Evidence.`,
    );
}

async function addPart(survey: Survey, packed: PackedSurvey, part: Part, entry: Entry): Promise<void> {
    const loaded = await loadPacked(appStore().db, survey.id, survey.revision, part);
    if (loaded.ok) {
        packed.add(part, loaded.sections);
        entry.bytes += loaded.bytes;
        return;
    }
    if (isEarlier(survey)) notKept(survey, loaded.why);
    // All parts are made at once, and equal rows give equal numbers: the other parts stay right.
    const parts = await packedAnew(survey, true);
    packed.add(part, parts.get(part)!);
    entry.bytes += bytesOf(parts.get(part)!);
}

/** Site of a route's parameter; null when there is none. */
export async function findSite(text: string): Promise<Site | null> {
    const id = Number(text);
    return Number.isInteger(id) ? getSite(appStore().db, id) : null;
}

/**
 * Site and survey of a route's parameters; null when there is none. A survey is `3`, or `3.1` as it was at its first
 * revision.
 */
export function findRoute(params: { site: string; survey: string }): Promise<{ site: Site; survey: Survey } | null> {
    return askedOnce(`route ${params.site} ${params.survey}`, () => lookUp(params));
}

/** Surveys of a site, newest first. */
export function surveysOf(db: Database, siteId: number): Promise<Survey[]> {
    return askedOnce(`surveys ${siteId}`, () => listSurveys(db, siteId));
}

async function lookUp(params: { site: string; survey: string }): Promise<{ site: Site; survey: Survey } | null> {
    const siteId = Number(params.site);
    const [, number, revision] = /^(\d{1,9})(?:\.(\d{1,9}))?$/.exec(params.survey) ?? [];
    if (!Number.isInteger(siteId) || number === undefined) return null;
    const { db } = appStore();
    const site = await getSite(db, siteId);
    const newest = site && (await findSurvey(db, siteId, Number(number)));
    const survey = newest && (await atRevision(newest, revision === undefined ? newest.revision : Number(revision)));
    return site && survey ? { site, survey } : null;
}

/** A survey as it was at a revision; null when nothing was kept of it. */
async function atRevision(survey: Survey, revision: number): Promise<Survey | null> {
    if (revision === survey.revision) return survey;
    const found = (await listRevisions(appStore().db, survey.id)).find(({ number }) => number === revision);
    if (!found) return null;
    const then: Survey = { ...survey, revision, state: 'finished', endedAt: found.at };
    const { state, cut } = (await openPacked(then, [])).head;
    return { ...then, state, cut };
}
