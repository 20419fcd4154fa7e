/** Does the job of one survey: crawl in, rows out to the store, lease kept, end written down. */
import { emptyRows, type CutReason, type SurveyState } from '../../core/survey/survey-rows.ts';
import type { SurveyProgress } from '../../core/survey/settings.ts';
import { runSurvey, type SurveyOutcome } from '../crawl/survey-run.ts';
import { whileAway, type Store } from '../store/connect.ts';
import { renewLease, saveProgress } from '../store/job-store.ts';
import { closeSurvey, getSurvey, LeaseLost, loadRows, markStarted, storeBatch } from '../store/survey-store.ts';

export interface SurveyJobInput {
    store: Store;
    surveyId: number;
    /** Owner of the lease. */
    owner: string;
    /** Aborted to stop the survey early and keep what was read. */
    stop: AbortSignal;
    onProgress?: (progress: SurveyProgress) => void;
}

export type SurveyJobResult =
    | { ended: true; state: SurveyState; cut: CutReason[]; trouble: string }
    /** Another worker has the job now. */
    | { ended: false };

const RENEW_EVERY = 1_000;

const STATE_OF: Record<SurveyOutcome['result'], SurveyState> = {
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
    const stored = survey.batches === 0 ? emptyRows() : await whileAway(() => loadRows(db, surveyId));
    await whileAway(() => markStarted(db, surveyId));

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
            if (progress) await saveProgress(db, surveyId, progress);
        })()
            // The database may be away for a moment; the batches wait for it, and so does the next renewal.
            .catch(() => (latest ??= progress))
            .finally(() => (busy = false));
    }, RENEW_EVERY / 2);

    try {
        let { batches } = survey;
        const outcome = await runSurvey({
            settings: survey.settings,
            stored,
            stop: stop.signal,
            onBatch: async (batch) => {
                if (lost) return;
                const number = ++batches;
                try {
                    await whileAway(
                        () => storeBatch(db, surveyId, number, batch, owner),
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
        clearInterval(timer);
        if (lost) return { ended: false };
        const state = STATE_OF[outcome.result];
        const last = latest as SurveyProgress | null;
        if (last) await whileAway(() => saveProgress(db, surveyId, last));
        try {
            const end = { state, cut: outcome.cut, trouble: outcome.trouble };
            await whileAway(() => closeSurvey(db, surveyId, end, owner));
        } catch (error) {
            if (error instanceof LeaseLost) return { ended: false };
            throw error;
        }
        return { ended: true, state, cut: outcome.cut, trouble: outcome.trouble };
    } finally {
        clearInterval(timer);
        input.stop.removeEventListener('abort', askedToStop);
    }
}
