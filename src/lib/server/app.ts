/** What the routes use: the store, packed surveys, and the site and survey that an address names. */
import type { IntendedPage } from '../core/compare/intended.ts';
import { listIntended } from './store/intended-store.ts';
import { listNotes, type Note } from './store/note-store.ts';
import type { StoredPart } from './store/packed-store.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { Part } from '../core/columns/column.ts';
import type { Sections } from '../core/packed/sections.ts';
import { secretsKey } from './access/secret-box.ts';
import { dataFolderPath, openDataFolder } from './process/data-folder.ts';
import { databaseAccess } from './process/database-process.ts';
import { OpenSurveys } from './open/open-surveys.ts';
import { askedOnce } from './request-memo.ts';
import { openStore, type Database, type Store } from './store/connect.ts';
import { listRevisions } from './store/evidence-store.ts';
import { getSite, type Site } from './store/site-store.ts';
import { findSurvey, listSurveys, type Survey } from './store/survey-store.ts';

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

export { log } from './process/log.ts';
export { STORED_PARTS } from './store/packed-store.ts';
export { RevisionLost, SurveyGone } from './open/open-surveys.ts';
export { isClosed, isEarlier, isEnded } from './open/survey-state.ts';

const surveys = new OpenSurveys(appStore);

/** A survey packed, with the parts that are asked for. @throws RevisionLost, SurveyGone */
export function openPacked(survey: Survey, parts?: readonly Part[]): Promise<PackedSurvey> {
    return surveys.open(survey, parts);
}

/** The bytes of a part of a survey that has ended; null while it runs. */
export function packedBytes(survey: Survey, part: StoredPart): Promise<Uint8Array<ArrayBuffer> | null> {
    return surveys.bytesOf(survey, part);
}

/** The word index of a survey that has ended; null while it runs. @throws RevisionLost, SurveyGone */
export function packedWords(survey: Survey): Promise<Sections | null> {
    return surveys.words(survey);
}

/** The tag of a part's bytes where it is known without reading them. */
export function packedTag(survey: Survey, part: StoredPart): Promise<string | null> {
    return surveys.tagOf(survey, part);
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

/** All notes of a site. */
export function notesOf(siteId: number): Promise<Note[]> {
    return askedOnce(`notes ${siteId}`, () => listNotes(appStore().db, siteId));
}

/** The structure that is intended for a site. */
export function intendedOf(siteId: number): Promise<IntendedPage[]> {
    return askedOnce(`intended ${siteId}`, () => listIntended(appStore().db, siteId));
}
