/** Surveys made in a test: a site on a stand-in, read for real, stored, loaded and measured. */
import { measureSurvey, type MeasuredSurvey } from '$lib/core/survey/measured-survey.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import type { SurveySettings } from '$lib/core/survey/settings.ts';
import { doSurveyJob } from '$lib/server/jobs/survey-job.ts';
import { ownerName } from '$lib/server/jobs/worker-loop.ts';
import { addSite } from '$lib/server/store/site-store.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { createSurvey, getSurvey, infoOf, type Survey } from '$lib/server/store/survey-store.ts';
import { startStandIn, type LoggedRequest, type SiteAnswer, type StandInSite } from '../../demo/stand-in.ts';
import type { Instance } from './instance.ts';

export interface MadeSurvey {
    survey: Survey;
    measured: MeasuredSurvey;
    log: LoggedRequest[];
}

/** Settings that reach `https://www.site.example/` on a stand-in. */
export function settingsFor(port: number, change: Partial<SurveySettings> = {}): SurveySettings {
    return {
        ...DEFAULT_SETTINGS,
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
        const made = await createSurvey(db, id, settings, ownerName(), Date.now() + 60_000);
        await doSurveyJob({
            store: instance.store,
            folder: instance.folder.path,
            surveyId: made.id,
            owner: ownerName(),
            stop,
        });
        const survey = (await getSurvey(db, made.id))!;
        return { survey, measured: measureSurvey(infoOf(survey), await loadRows(db, made.id)), log: standIn.log };
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
