/** The worker's other work: takes one run of proposals after the other, beside surveys, until it is told to end. */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { projectRoot } from '../process/data-folder.ts';
import { pause } from '../process/liveness.ts';
import { log } from '../process/log.ts';
import { isPassing, type Store } from '../store/connect.ts';
import { releaseProposalRun, takeProposalRun } from '../store/proposal-run-store.ts';
import type { ProposalThreadData } from './proposal-thread.ts';
import { isDeadOwner, ownerName } from './worker-loop.ts';

const LOOK_EVERY = 500;
/** What the thread may hold: a packed survey, its words and texts. */
const MOST_MEGABYTES = 4_096;

export async function proposalLoop(
    { access, db }: Store,
    end: AbortSignal,
    script = join(projectRoot(), 'build/node/proposal-thread.js'),
): Promise<void> {
    const owner = ownerName();
    while (!end.aborted) {
        try {
            const run = await takeProposalRun(db, owner, isDeadOwner);
            if (run === null) {
                await pause(LOOK_EVERY);
                continue;
            }
            log.info('proposals are looked for', { run: run.id, survey: run.surveyId });
            const trouble = await inThread({ access, run, owner }, script, end);
            if (trouble !== '') log.warn('a run of proposals was left', { run: run.id, why: trouble });
            // Whoever takes it next goes on with the targets that are left; a run that ended is not given back.
            if (end.aborted) await releaseProposalRun(db, run.id, owner);
            else if (trouble !== '') await pause(LOOK_EVERY);
        } catch (error) {
            log[isPassing(error) ? 'warn' : 'error']('looking for proposals failed', { error });
            await pause(LOOK_EVERY);
        }
    }
}

/** @returns why the thread ended before the run did; empty where it did not */
async function inThread(data: ProposalThreadData, script: string, end: AbortSignal): Promise<string> {
    const worker = new Worker(script, {
        workerData: data,
        resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
    });
    const stop = (): void => void worker.terminate();
    end.addEventListener('abort', stop, { once: true });
    try {
        return await new Promise<string>((resolve) => {
            worker.on('message', (trouble: string) => resolve(trouble));
            worker.on('error', (error) => resolve(error.message));
            worker.on('exit', () => resolve('the thread ended early'));
        });
    } finally {
        end.removeEventListener('abort', stop);
    }
}
