/** What the routes use: the store, and measured surveys kept in memory for as long as they are looked at. */
import { packSurvey } from '../core/packed/pack-survey.ts';
import { PackedHead } from './packed-head.ts';
import { PackedSurvey, type Part } from '../core/packed/packed-survey.ts';
import { measureSurvey, type MeasuredSurvey } from '../core/survey/measured-survey.ts';
import { countSurvey, type SurveyCounts } from '../core/survey/summary.ts';
import { secretsKey } from './access/secret-box.ts';
import { dataFolderPath, openDataFolder } from './process/data-folder.ts';
import { databaseAccess } from './process/database-process.ts';
import { makeAndSavePacked } from './pack-survey.ts';
import { loadPacked } from './store/packed-store.ts';
import { openStore, type Store } from './store/connect.ts';
import { listRevisions } from './store/evidence-store.ts';
import { getSite, type Site } from './store/site-store.ts';
import { loadRows } from './store/rows-store.ts';
import { findSurvey, infoOf, type Survey } from './store/survey-store.ts';

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

export interface OpenSurvey {
    measured: MeasuredSurvey;
    counts: SurveyCounts;
}

interface Kept {
    survey: Promise<OpenSurvey>;
    at: number;
    /** How long loading and measuring took, milliseconds. */
    took: number;
    isEnded: boolean;
    revision: number;
}

/** Measured surveys by number; the last few stay. */
const kept = new Map<number, Kept>();
const MOST_KEPT = 4;
/** A survey that still runs is measured anew after this long, not patched; and never more than a fifth of the time. */
const RUNNING_MILLISECONDS = 3_000;
const REST_PER_MEASURING = 4;

/** True when nothing more is being read: it ended, or was paused. */
export function isEnded(survey: Survey): boolean {
    return survey.state !== 'waiting' && survey.state !== 'running';
}

/** True for a survey as it was before something changed it: packed, and without its rows. */
export function isEarlier(survey: Survey): boolean {
    return survey.revision < survey.latest;
}

/** What is told of an earlier revision where a part needs the rows, which are those of the newest. */
export const NEEDS_ROWS =
    'This part is made from what the database holds now; of an earlier revision the counts, pages, links and measures were kept.';

/** An earlier revision that was kept and cannot be read: it cannot be made again either. */
export class RevisionLost extends Error {}

/** @throws Error where the survey is an earlier revision: routes ask `isEarlier` first */
export async function openSurvey(survey: Survey): Promise<OpenSurvey> {
    if (isEarlier(survey)) {
        throw new Error(NEEDS_ROWS);
    }
    const known = kept.get(survey.id);
    const ended = isEnded(survey);
    if (
        known &&
        known.isEnded === ended &&
        known.revision === survey.revision &&
        (ended || Date.now() - known.at < Math.max(RUNNING_MILLISECONDS, known.took * REST_PER_MEASURING))
    ) {
        kept.delete(survey.id);
        kept.set(survey.id, known);
        return known.survey;
    }
    const started = Date.now();
    const loading = (async (): Promise<OpenSurvey> => {
        const measured = measureSurvey(infoOf(survey), await loadRows(appStore().db, survey.id));
        return { measured, counts: countSurvey(measured) };
    })();
    kept.delete(survey.id);
    const entry: Kept = { survey: loading, at: started, took: 0, isEnded: ended, revision: survey.revision };
    kept.set(survey.id, entry);
    loading.then(
        () => {
            entry.at = Date.now();
            entry.took = entry.at - started;
        },
        () => kept.delete(survey.id),
    );
    for (const id of kept.keys()) {
        if (kept.size <= MOST_KEPT) break;
        kept.delete(id);
    }
    return loading;
}

interface KeptPacked {
    packed: Promise<PackedSurvey>;
    /** State, revision and batches of the survey when it was made. */
    key: string;
    at: number;
    /** Bytes of its parts. */
    bytes: number;
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
    if (known?.key !== key || (!ended && isStale(survey, known))) {
        const entry = { key, at: Date.now(), bytes: 0 };
        const packed = isClosed(survey) ? loadOrMake(survey, entry) : packRunning(survey);
        const made: KeptPacked = Object.assign(entry, { packed });
        packed.catch(() => {
            if (keptPacked.get(place) === made) keptPacked.delete(place);
        });
        known = made;
    }
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

/** True when its rows are those of a revision: a paused survey goes on with the revision it has. */
function isClosed(survey: Survey): boolean {
    return isEnded(survey) && survey.state !== 'paused';
}

function isStale(survey: Survey, known: KeptPacked): boolean {
    const took = kept.get(survey.id)?.took ?? 0;
    return Date.now() - known.at >= Math.max(RUNNING_MILLISECONDS, took * REST_PER_MEASURING);
}

async function packRunning(survey: Survey): Promise<PackedSurvey> {
    const { measured } = await openSurvey(survey);
    return packSurvey(measured).survey;
}

async function loadOrMake(survey: Survey, entry: { bytes: number }): Promise<PackedSurvey> {
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
    return remake(survey);
}

/** An earlier revision cannot be made again. */
function notKept(survey: Survey, why: string): never {
    throw new RevisionLost(
        `Revision ${survey.revision} cannot be shown any more: ${why}. Its counts are still there, under Evidence.`,
    );
}

async function addPart(survey: Survey, packed: PackedSurvey, part: Part, entry: { bytes: number }): Promise<void> {
    const loaded = await loadPacked(appStore().db, survey.id, survey.revision, part);
    if (loaded.ok) {
        packed.add(part, loaded.sections);
        entry.bytes += loaded.bytes;
        return;
    }
    if (isEarlier(survey)) notKept(survey, loaded.why);
    // All parts are made at once, and equal rows give equal numbers: the other parts stay right.
    const { parts } = await makeAndSavePacked(appStore().db, survey);
    packed.add(part, parts.get(part)!);
}

async function remake(survey: Survey): Promise<PackedSurvey> {
    const { packed } = await makeAndSavePacked(appStore().db, survey);
    return packed;
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
export async function findRoute(params: {
    site: string;
    survey: string;
}): Promise<{ site: Site; survey: Survey } | null> {
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
