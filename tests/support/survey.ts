/** Surveys made in a test: a site on a stand-in, read for real, stored, loaded and measured. */
import { measureSurvey, type MeasuredSurvey } from './reference/measured-survey.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { namesOfSecrets, NO_SECRETS, type SurveySecrets, type SurveySettings } from '$lib/core/survey/settings.ts';
import { sealSecrets, secretsKey } from '$lib/server/access/secret-box.ts';
import { jobs } from '$lib/server/store/schema.ts';
import { eq } from 'drizzle-orm';
import { doSurveyJob } from '$lib/server/jobs/survey-job.ts';
import { ownerName } from '$lib/server/jobs/worker-loop.ts';
import { addSite } from '$lib/server/store/site-store.ts';
import type { Database } from '$lib/server/store/connect.ts';
import { makePacked } from '$lib/server/pack/pack-survey.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { createSurvey, getSurvey, infoOf, type Survey } from '$lib/server/store/survey-store.ts';
import {
    startStandIn,
    type LoggedRequest,
    type SiteAnswer,
    type StandIn,
    type StandInSite,
} from '../../demo/stand-in.ts';
import type { Instance } from './instance.ts';
import { holdAgainst } from './reference/compare.ts';

/** A survey on a stand-in that stays up, so that it can be paused, changed and gone on with. */
export interface StandingSurvey {
    id: number;
    siteId: number;
    standIn: StandIn;
    /** Takes the job and does it until it ends or is laid aside. */
    run(stop?: AbortSignal): Promise<MadeSurvey>;
    close(): Promise<void>;
}

export async function openSurvey(
    instance: Instance,
    site: StandInSite,
    change: Partial<SurveySettings> = {},
    secrets: SurveySecrets = NO_SECRETS,
): Promise<StandingSurvey> {
    const standIn = await startStandIn(site);
    const settings = settingsFor(standIn.port, change);
    settings.pins = settings.pins.map((pin) => pin.replace('PORT', String(standIn.port)));
    settings.sends = namesOfSecrets(secrets);
    const { db } = instance.store;
    const sealed = sealSecrets(secretsKey(instance.folder.path), secrets);
    const { id: siteId } = await addSite(db, 'test', settings, sealed);
    const { id } = await createSurvey(db, siteId, settings, { secrets: sealed });
    return {
        id,
        siteId,
        standIn,
        async run(stop = new AbortController().signal) {
            await db
                .update(jobs)
                .set({ state: 'running', owner: ownerName(), leaseUntil: Date.now() + 60_000 })
                .where(eq(jobs.surveyId, id));
            await doSurveyJob({
                store: instance.store,
                folder: instance.folder.path,
                surveyId: id,
                owner: ownerName(),
                stop,
            });
            const survey = (await getSurvey(db, id))!;
            return { survey, measured: await measured(db, survey), log: standIn.log };
        },
        close: () => standIn.close(),
    };
}

/** Measured the plain way, with what the application makes of the same rows held against it. */
async function measured(db: Database, survey: Survey): Promise<MeasuredSurvey> {
    const found = measureSurvey(infoOf(survey), await loadRows(db, survey.id));
    holdAgainst(found, (await makePacked(db, survey)).survey);
    return found;
}

export interface MadeSurvey {
    survey: Survey;
    measured: MeasuredSurvey;
    log: LoggedRequest[];
}

/** Settings that reach `https://www.site.example/` on a stand-in. */
export function settingsFor(port: number, change: Partial<SurveySettings> = {}): SurveySettings {
    return {
        ...DEFAULT_SETTINGS,
        // Tests that count what is asked for count what they made.
        madeUp: false,
        start: 'https://www.site.example/',
        pins: ['www.site.example', 'site.example'].map((host) => `${host}=127.0.0.1:${port}`),
        ...change,
    };
}

export async function makeSurvey(
    instance: Instance,
    site: StandInSite,
    change: Partial<SurveySettings> = {},
    stop = new AbortController().signal,
): Promise<MadeSurvey> {
    const standIn = await startStandIn(site);
    try {
        const settings = settingsFor(standIn.port, change);
        settings.pins = settings.pins.map((pin) => pin.replace('PORT', String(standIn.port)));
        const { db } = instance.store;
        const { id } = await addSite(db, 'test', settings);
        const made = await createSurvey(db, id, settings, { owner: ownerName(), leaseUntil: Date.now() + 60_000 });
        await doSurveyJob({
            store: instance.store,
            folder: instance.folder.path,
            surveyId: made.id,
            owner: ownerName(),
            stop,
        });
        const survey = (await getSurvey(db, made.id))!;
        return { survey, measured: await measured(db, survey), log: standIn.log };
    } finally {
        await standIn.close();
    }
}

/** A site from a table of paths; a text is an HTML page, anything else 404. */
export function tableSite(pages: Record<string, string | Partial<SiteAnswer>>): StandInSite {
    return ({ path }) => {
        const found = pages[path];
        if (found === undefined) return { status: 404, headers: { 'content-type': 'text/html' }, body: 'not here' };
        const answer = typeof found === 'string' ? { body: found } : found;
        return { status: 200, body: '', ...answer, headers: { 'content-type': 'text/html', ...answer.headers } };
    };
}

export function redirectTo(location: string, status = 301): Partial<SiteAnswer> {
    return { status, headers: { location } };
}
