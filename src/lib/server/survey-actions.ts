/** What a person does to a survey from the pages: pause, go on, open and close families, read some of it again, delete. */
import { problem } from '../core/problems/problem.ts';
import { setTimeout as wait } from 'node:timers/promises';
import type { SurveySettings } from '../core/survey/settings.ts';
import type { SurveyDecisions } from '../core/survey/survey-rows.ts';
import { appStore, isEnded } from './app.ts';
import { rememberRevision } from './revisions.ts';
import { askToPause, askToStop } from './store/job-store.ts';
import { getSite } from './store/site-store.ts';
import {
    closePaused,
    createSurvey,
    getSurvey,
    pauseWaiting,
    resumeSurvey,
    saveDecisions,
    type Survey,
} from './store/survey-store.ts';

/** A worker lays a survey aside within this, unless something is wrong. */
const PAUSE_PATIENCE = 20_000;

export type Limits = Partial<Pick<SurveySettings, 'maxPages' | 'maxDepth' | 'maxMinutes'>>;

/** Goes on with a survey that was paused or has ended. */
export async function goOn(survey: Survey, limits: Limits = {}): Promise<boolean> {
    await rememberRevision(survey, problem('before-reading-on', {}));
    return resumeSurvey(appStore().db, survey.id, { limits });
}

/** Stops a survey that has not ended: one that is laid aside is closed with what was read. */
export async function stop({ id }: Survey): Promise<void> {
    const { db } = appStore();
    if (!(await closePaused(db, id))) await askToStop(db, id);
}

/** Lays a survey aside; one that nobody has taken up yet at once. */
export async function layAside({ id }: Survey): Promise<void> {
    const { db } = appStore();
    if (!(await pauseWaiting(db, id))) await askToPause(db, id);
}

export interface Decision {
    /** Pattern of a family, or URL of an action. */
    of: string;
    kind: 'family' | 'action';
    state: 'open' | 'closed';
}

/** Decisions with one more; what was decided before about the same thing no longer counts. */
export function decided(before: SurveyDecisions, { of, kind, state }: Decision): SurveyDecisions {
    const without = (list: string[]): string[] => list.filter((item) => item !== of);
    if (kind === 'action') {
        const actions = without(before.actions);
        return { ...before, actions: state === 'open' ? [...actions, of] : actions };
    }
    const opened = without(before.opened);
    const closed = without(before.closed);
    return {
        ...before,
        opened: state === 'open' ? [...opened, of] : opened,
        closed: state === 'closed' ? [...closed, of] : closed,
    };
}

/** Opens or closes a family or an action, and has the survey go on with it. */
export async function decide(survey: Survey, decision: Decision): Promise<boolean> {
    const { db } = appStore();
    const decisions = decided(survey.decisions, decision);
    await rememberRevision(survey, problem('before-decision', { of: decision.of, state: decision.state }));
    await saveDecisions(db, survey.id, decisions);
    if (!isEnded(survey)) {
        await layAside(survey);
        for (const until = Date.now() + PAUSE_PATIENCE; Date.now() < until; await wait(100)) {
            const now = await getSurvey(db, survey.id);
            if (!now || isEnded(now)) break;
        }
    }
    return resumeSurvey(db, survey.id, { decisions });
}

/** The most URLs one spot survey reads again. */
export const MOST_SPOT_URLS = 5_000;

/** Starts a spot survey: some URLs again, with the settings and secrets of their parent. */
export async function startSpot(parent: Survey, what: string, urls: string[]): Promise<Survey> {
    const { db } = appStore();
    const site = await getSite(db, parent.siteId);
    const spot = { parent: parent.settings.spot?.parent ?? parent.number, what, urls: urls.slice(0, MOST_SPOT_URLS) };
    // Pins of a staging copy may have moved since; everything else is the parent's.
    const settings: SurveySettings = { ...parent.settings, pins: site?.settings.pins ?? parent.settings.pins, spot };
    return createSurvey(db, parent.siteId, settings, { secrets: parent.secrets });
}
