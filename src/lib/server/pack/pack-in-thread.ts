/** Has a survey packed in a thread of its own. */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { decodeSections, type Sections } from '../../core/packed/sections.ts';
import { projectRoot } from '../process/data-folder.ts';
import type { DatabaseAccess } from '../process/database-process.ts';
import { STORED_PARTS, type StoredPart } from '../store/packed-store.ts';
import { WORDS_STEPS, type WordsStep } from './words-step.ts';
import type { PackReply, PackRequest } from './pack-thread.ts';

/** What a thread may hold; a site of a million URLs needs about half of it. */
const MOST_MEGABYTES = 8_192;
/** Room for rows on their way through: with less of it, those that are gone a moment later are copied first. */
const YOUNG_MEGABYTES = 48;

/**
 * @param options.make what is made, from what
 * @param options.wanted hands its parts over
 * @param options.after what a thread that makes words waits for, ready by then; where one of them fails, it ends
 * @throws Error with a sentence part when it could not be packed
 */
export async function packInThread(
    access: DatabaseAccess,
    surveyId: number,
    { after, ...options }: Pick<PackRequest, 'make' | 'wanted'> & { after?: Record<WordsStep, Promise<unknown>> },
    script = join(projectRoot(), 'build/node/pack-thread.js'),
): Promise<Map<StoredPart, Sections>> {
    const request: PackRequest = { access, surveyId, ...options, waits: after !== undefined };
    const reply = await new Promise<PackReply>((resolve) => {
        const worker = new Worker(script, {
            workerData: request,
            resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES, maxYoungGenerationSizeMb: YOUNG_MEGABYTES },
        });
        if (after) {
            // While it only waits, the process may end without it.
            worker.unref();
            after.closed.then(
                () => worker.ref(),
                () => undefined,
            );
        }
        for (const step of WORDS_STEPS) {
            after?.[step].then(
                () => worker.postMessage(step),
                () => void worker.terminate(),
            );
        }
        worker.on('message', resolve);
        worker.on('error', (error) => resolve({ ok: false, say: error.message }));
        worker.on('exit', () => resolve({ ok: false, say: 'the thread that packs it ended early' }));
    });
    if (!reply.ok) throw new Error(reply.say);
    const parts = new Map<StoredPart, Sections>();
    for (const [name, bytes] of reply.parts) {
        const part = STORED_PARTS.find((known) => known === name);
        if (part) parts.set(part, decodeSections(bytes));
    }
    return parts;
}
