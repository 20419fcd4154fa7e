/** Does one survey under its lease: reads the site, stores batch by batch, closes it or lays it aside. */
import { resolve } from 'node:path';
import type { SurveyProgress } from '../../core/survey/settings.ts';
import type { CutReason, SurveyState } from '../../core/survey/survey-rows.ts';
import { openSecrets, secretsKey } from '../access/secret-box.ts';
import { EarlierRun } from '../crawl/earlier-run.ts';
import { runSurvey, type SurveyOutcome } from '../crawl/survey-run.ts';
import { storeBatch } from '../store/batch-store.ts';
import { whileAway, type Store } from '../store/connect.ts';
import { importedUrls } from '../store/evidence-store.ts';
import { renewLease, saveProgress } from '../store/job-store.ts';
import { LeaseLost } from '../store/ownership.ts';
import { closeSurvey, getSurvey, markStarted, pauseSurvey } from '../store/survey-store.ts';
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
}

export type SurveyJobResult =
    | { ended: true; state: SurveyState; cut: CutReason[]; trouble: string }
    /** Another worker has the job now. */
    | { ended: false };

const RENEW_EVERY = 1_000;

const STATE_OF: Record<Exclude<SurveyOutcome['result'], 'paused'>, SurveyState> = {
    finished: 'finished',
    stopped: 'stopped',
    'no-start': 'failed',
};

/**
 * @throws when the database stays away beyond all patience; what was stored until then is kept, and the survey can be
 * taken up again
 */
export async function doSurveyJob(input: SurveyJobInput): Promise<SurveyJobResult> {
    const { store, surveyId, owner } = input;
    const { db } = store;
    const survey = await whileAway(() => getSurvey(db, surveyId));
    if (!survey) return { ended: false };
    const isFirst = survey.batches === 0;
    const earlier = isFirst ? new EarlierRun() : await whileAway(() => loadEarlierRun(db, surveyId));
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
    const timer = setInterval(() => {
        if (busy) return;
        busy = true;
        const progress = latest;
        latest = null;
        (async () => {
            const lease = await renewLease(db, surveyId, owner);
            if (!lease.ours) {
                lost = true;
                stop.abort();
            }
            if (lease.stopAsked) stop.abort();
            else if (lease.pauseAsked) stop.abort('pause');
            if (progress) await saveProgress(db, surveyId, progress);
        })()
            // The database may be away for a moment; the batches wait for it, and so does the next renewal.
            .catch(() => (latest ??= progress))
            .finally(() => (busy = false));
    }, RENEW_EVERY / 2);

    const close = async (state: SurveyState, cut: CutReason[], trouble: string): Promise<SurveyJobResult> => {
        try {
            await whileAway(() => makeMains(db, surveyId));
            const end = { state, cut, trouble, readMilliseconds: spent() };
            await whileAway(() => closeSurvey(db, surveyId, end, owner));
        } catch (error) {
            if (error instanceof LeaseLost) return { ended: false };
            throw error;
        }
        return { ended: true, state, cut, trouble };
    };

    try {
        const opened = openSecrets(secretsKey(resolve(input.folder)), survey.secrets);
        if (!opened.ok) return await close('failed', ['failed'], opened.say);
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
            known: () => importedUrls(db, surveyId),
            elapsed: survey.readMilliseconds,
            stop: stop.signal,
            onBatch: async (batch) => {
                if (lost) return;
                const number = ++batches;
                try {
                    await whileAway(
                        () => storeBatch(db, surveyId, number, batch, { owner, onMismatch: input.log }),
                        undefined,
                        () => lost,
                    );
                } catch (error) {
                    if (!(error instanceof LeaseLost)) throw error;
                    lost = true;
                    stop.abort();
                }
            },
            onProgress: (progress) => {
                latest = progress;
                input.onProgress?.(progress);
            },
        });
        if (lost) return { ended: false };
        const last = latest as SurveyProgress | null;
        if (last) await whileAway(() => saveProgress(db, surveyId, last));
        if (outcome.result === 'paused') {
            await whileAway(() => pauseSurvey(db, surveyId, spent(), owner));
            return { ended: true, state: 'paused', cut: [], trouble: '' };
        }
        return await close(STATE_OF[outcome.result], outcome.cut, outcome.trouble);
    } catch (error) {
        if (error instanceof LeaseLost) return { ended: false };
        throw error;
    } finally {
        clearInterval(timer);
        input.stop.removeEventListener('abort', askedToStop);
    }
}
