/** The worker: takes one survey after the other, until it is told to end. */
import { log } from '../process/log.ts';
import { identityOf, isAlive, pause } from '../process/liveness.ts';
import { isPassing, type Store } from '../store/connect.ts';
import { releaseJob, takeJob } from '../store/job-store.ts';
import { sweepDeleted } from '../store/survey-store.ts';
import { packClosed } from './pack-closed.ts';
import { doSurveyJob } from './survey-job.ts';

/** Name of this process as a lease owner. */
export function ownerName(): string {
    const { pid, started } = identityOf(process.pid);
    return `${pid}:${started}`;
}

/** True when the owner's process is known to be gone (owners are processes of this machine). */
export function isDeadOwner(owner: string): boolean {
    const [pid, started] = owner.split(':').map(Number);
    return !pid || !isAlive({ pid, started: started ?? 0 });
}

const LOOK_EVERY = 300;

/** @param folder the data folder, for the key of the secrets */
export async function workerLoop(store: Store, folder: string, end: AbortSignal): Promise<void> {
    const owner = ownerName();
    while (!end.aborted) {
        let surveyId: number | null = null;
        const done = new AbortController();
        try {
            const job = await takeJob(store.db, owner, isDeadOwner);
            if (!job) {
                // Nothing else to do: rows of deleted surveys go, a few at a time.
                if (!(await sweepDeleted(store.db))) await pause(LOOK_EVERY);
                continue;
            }
            surveyId = job.surveyId;
            log.info('survey taken', { survey: surveyId, attempt: job.attempts });
            const handOver = new AbortController();
            const toldToEnd = new Promise<null>((resolve) => {
                end.addEventListener('abort', () => resolve(null), { signal: done.signal });
            });
            const result = await Promise.race([
                doSurveyJob({ store, folder, surveyId, owner, stop: handOver.signal, log: (line) => log.warn(line) }),
                // The survey is not stopped, the next worker goes on from the stored rows.
                toldToEnd,
            ]);
            if (result === null) {
                await releaseJob(store.db, surveyId, owner);
                return;
            }
            log.info('survey left', { survey: surveyId, as: result.ended ? result.state : 'taken by another worker' });
            if (result.ended && result.state !== 'paused') {
                await Promise.race([packClosed(store.access, surveyId), toldToEnd]);
            }
        } catch (error) {
            log[isPassing(error) ? 'warn' : 'error'](
                surveyId === null ? 'looking for work failed' : 'the job of a survey failed',
                {
                    survey: surveyId,
                    error,
                },
            );
            if (!isPassing(error)) await pause(2_000);
            else await pause(LOOK_EVERY);
        } finally {
            done.abort();
        }
    }
}
