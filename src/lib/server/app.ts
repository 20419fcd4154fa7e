/** What the routes use: the store, and measured surveys kept in memory for as long as they are looked at. */
import { measureSurvey, type MeasuredSurvey } from '../core/survey/measured-survey.ts';
import { countSurvey, type SurveyCounts } from '../core/survey/summary.ts';
import { secretsKey } from './access/secret-box.ts';
import { dataFolderPath, openDataFolder } from './process/data-folder.ts';
import { databaseAccess } from './process/database-process.ts';
import { openStore, type Store } from './store/connect.ts';
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

export async function openSurvey(survey: Survey): Promise<OpenSurvey> {
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

/** Site and survey of a route's parameters; null when there is none. */
export async function findRoute(params: {
    site: string;
    survey: string;
}): Promise<{ site: Site; survey: Survey } | null> {
    const siteId = Number(params.site);
    const number = Number(params.survey);
    if (!Number.isInteger(siteId) || !Number.isInteger(number)) return null;
    const { db } = appStore();
    const site = await getSite(db, siteId);
    const survey = site && (await findSurvey(db, siteId, number));
    return site && survey ? { site, survey } : null;
}
