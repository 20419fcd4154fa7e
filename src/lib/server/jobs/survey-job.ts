/** Does one survey under its lease: reads the site, stores batch by batch, closes it or lays it aside. */
import { resolve } from 'node:path';
import type { SurveyProgress } from '../../core/survey/progress.ts';
import type { CutReason, SurveyState } from '../../core/survey/survey-rows.ts';
import { openSecrets, secretsKey } from '../access/secret-box.ts';
import { EarlierRun } from '../crawl/earlier-run.ts';
import { runSurvey, type SurveyOutcome } from '../crawl/survey-run.ts';
import { storeBatch } from '../store/batch-store.ts';
import { isPassing, reasonOf, whileAway, type Store } from '../store/connect.ts';
import { listedUrls } from '../store/evidence-store.ts';
import { renewLease, saveProgress } from '../store/job-store.ts';
import { mendRows, RowsBroken } from '../store/mend-rows.ts';
import { LeaseLost } from '../store/ownership.ts';
import { closeSurvey, countRead, getSurvey, markStarted, pauseSurvey } from '../store/survey-store.ts';
import { problem, writeProblem, type Problem, type ProblemText } from '../../core/problems/problem.ts';
import { LONGEST_RULE } from '../crawl/settling.ts';
import { freeBytes, isFull, LEAST_FREE, mustHaveSpace, SpaceWatch } from '../process/disk-space.ts';
import { knockFirst } from './knock-first.ts';
import { loadEarlierRun } from './earlier-runs.ts';
import { makeMains } from '../store/main-text-store.ts';

export interface SurveyJobInput {
    store: Store;
    /** The data folder, for the key of the secrets. */
    folder: string;
    surveyId: number;
    /** Owner of the lease. */
    owner: string;
    /** Aborted to stop the survey early and keep what was read. */
    stop: AbortSignal;
    onProgress?: (progress: SurveyProgress) => void;
    /** Told what went wrong and was mended. */
    log?: (line: string) => void;
    /** How long a database that is away is waited for, milliseconds. */
    patience?: number;
}

export type SurveyJobResult =
    | { ended: true; state: SurveyState; cut: CutReason[]; trouble: ProblemText }
    /** Another worker has the job now. */
    | { ended: false };

const RENEW_EVERY = 1_000;

const STATE_OF: Record<Exclude<SurveyOutcome['result'], 'paused'>, SurveyState> = {
    finished: 'finished',
    stopped: 'stopped',
    'no-start': 'failed',
};

/** Why a survey cannot go on, as it is kept with it. @param kept pages that are stored */
function whyAside(error: unknown, folder: string, kept: number): Problem {
    const free = freeBytes(folder);
    if (isFull(error) || free < LEAST_FREE) return problem('disk-full', { isFull: free < LEAST_FREE, free, kept });
    return problem(isPassing(error) ? 'database-away' : 'run-failed', { cause: reasonOf(error), kept });
}

/** What earlier runs left; rows that a lost batch left broken are mended first. */
async function earlierRun({ store: { db }, surveyId, owner, log }: SurveyJobInput): Promise<EarlierRun> {
    try {
        return await loadEarlierRun(db, surveyId);
    } catch (error) {
        if (!(error instanceof RowsBroken)) throw error;
        const { kept, dropped } = await mendRows(db, surveyId, owner);
        log?.(`${error.message}; mended: ${kept} pages kept, ${dropped} are read again`);
        return loadEarlierRun(db, surveyId);
    }
}

/**
 * What cannot be stored lays the survey aside with a sentence: a full disk, a database that stays away, anything else.
 * @throws when the database stays away beyond all patience; what was stored until then is kept, and the survey can be
 * taken up again
 */
export async function doSurveyJob(input: SurveyJobInput): Promise<SurveyJobResult> {
    for (let tries = 1; ; tries++) {
        try {
            return await attempt(input, tries >= MOST_ATTEMPTS);
        } catch (error) {
            if (!(error instanceof Interrupted)) throw error;
            input.log?.(`survey ${input.surveyId}: ${reasonOf(error)}; it goes on from its rows`);
        }
    }
}

/** Attempts that a database may interrupt: one that comes back each time and goes away again is no use. */
const MOST_ATTEMPTS = 30;

/** The database was away for a moment where nobody waited for it: the survey is taken up again from its rows. */
class Interrupted extends Error {}

/** The database stayed away for longer than anybody waits. */
class StayedAway extends Error {}

/**
 * Does the survey from where its rows end.
 * @param isLast lays it aside whatever interrupts it
 * @throws Interrupted when the database was away for a moment
 */
async function attempt(input: SurveyJobInput, isLast: boolean): Promise<SurveyJobResult> {
    const { store, surveyId, owner } = input;
    const { db } = store;
    const survey = await whileAway(() => getSurvey(db, surveyId));
    if (!survey) return { ended: false };
    const isFirst = survey.batches === 0;
    await whileAway(() => markStarted(db, surveyId));
    let began = Date.now();
    const spent = (): number => survey.readMilliseconds + Date.now() - began;

    const stop = new AbortController();
    const askedToStop = (): void => stop.abort();
    input.stop.addEventListener('abort', askedToStop);
    if (input.stop.aborted) stop.abort();

    let lost = false;
    let latest: SurveyProgress | null = null;
    let busy = false;
    const renew = async (): Promise<void> => {
        const lease = await renewLease(db, surveyId, owner);
        if (!lease.ours) {
            lost = true;
            stop.abort();
        }
        if (lease.stopAsked) stop.abort();
        else if (lease.pauseAsked) stop.abort('pause');
    };
    const timer = setInterval(() => {
        if (busy) return;
        busy = true;
        const progress = latest;
        latest = null;
        (async () => {
            await renew();
            if (progress) await saveProgress(db, surveyId, progress);
        })()
            // The database may be away for a moment; the batches wait for it, and so does the next renewal.
            .catch(() => (latest ??= progress))
            .finally(() => (busy = false));
    }, RENEW_EVERY / 2);

    const folder = resolve(input.folder);
    /** Does something again while the database is away; not where it is away because its disk is full. */
    const patiently = <T>(work: () => Promise<T>): Promise<T> =>
        whileAway(work, input.patience, () => lost || freeBytes(folder) < LEAST_FREE).catch((error: unknown) => {
            throw isPassing(error) ? new StayedAway(reasonOf(error), { cause: error }) : error;
        });

    const close = async (state: SurveyState, cut: CutReason[], trouble: ProblemText): Promise<SurveyJobResult> => {
        await patiently(() => makeMains(db, surveyId));
        const end = { state, cut, trouble, readMilliseconds: spent() };
        await patiently(() => closeSurvey(db, surveyId, end, owner));
        return { ended: true, state, cut, trouble };
    };

    /** Lays the survey aside because it cannot go on; what was stored stays, and it is gone on with from there. */
    const layAside = async (why: unknown): Promise<SurveyJobResult> => {
        input.log?.(`survey ${surveyId}: ${reasonOf(why)}`);
        const setAside = async (): Promise<ProblemText> => {
            const trouble = writeProblem(whyAside(why, folder, await countRead(db, surveyId)));
            await pauseSurvey(db, surveyId, spent(), owner, trouble);
            return trouble;
        };
        const trouble = await whileAway(setAside, input.patience, () => lost);
        return { ended: true, state: 'paused', cut: [], trouble };
    };

    try {
        await patiently(renew);
        mustHaveSpace(folder);
        const earlier = isFirst ? new EarlierRun() : await patiently(() => earlierRun(input));
        const space = new SpaceWatch(folder);
        const opened = openSecrets(secretsKey(resolve(input.folder)), survey.secrets);
        if (!opened.ok) return await close('failed', ['failed'], writeProblem(opened.problem));
        if (isFirst) {
            const say = (line: string): void => input.log?.(`the door: ${line}`);
            await knockFirst(store, { survey, secrets: opened.secrets, stop: stop.signal, say });
            // Knocking is no reading: it takes nothing from the time the survey may take.
            began = Date.now();
        }
        let { batches } = survey;
        const outcome = await runSurvey({
            settings: survey.settings,
            secrets: opened.secrets,
            decisions: survey.decisions,
            earlier,
            known: () => listedUrls(db, surveyId),
            elapsed: survey.readMilliseconds,
            stop: stop.signal,
            onBatch: async (batch) => {
                if (lost) return;
                const number = ++batches;
                try {
                    mustHaveSpace(folder);
                    await patiently(() => storeBatch(db, surveyId, number, batch, { owner, onMismatch: input.log }));
                } catch (error) {
                    if (!(error instanceof LeaseLost)) throw error;
                    lost = true;
                    stop.abort();
                }
            },
            onProgress: (told) => {
                const open =
                    told.found - told.read - told.unanswered - told.closedByRobots - told.actions - told.trapped;
                const progress = { ...told, warning: space.warning(told.read, Math.max(0, open)) };
                latest = progress;
                input.onProgress?.(progress);
            },
        });
        if (lost) return { ended: false };
        const last = latest as SurveyProgress | null;
        if (last) await patiently(() => saveProgress(db, surveyId, last));
        if (outcome.result === 'paused') {
            await patiently(() => pauseSurvey(db, surveyId, spent(), owner));
            return { ended: true, state: 'paused', cut: [], trouble: '' };
        }
        return await close(STATE_OF[outcome.result], outcome.cut, writeProblem(outcome.trouble, LONGEST_RULE));
    } catch (error) {
        if (error instanceof LeaseLost || lost) return { ended: false };
        if (isPassing(error) && !(error instanceof StayedAway) && !isLast) {
            throw new Interrupted(reasonOf(error), { cause: error });
        }
        try {
            return await layAside(error);
        } catch (again) {
            if (again instanceof LeaseLost) return { ended: false };
            // The database is away altogether: whoever takes the job when it is back goes on from the stored rows.
            throw error;
        }
    } finally {
        clearInterval(timer);
        input.stop.removeEventListener('abort', askedToStop);
    }
}
