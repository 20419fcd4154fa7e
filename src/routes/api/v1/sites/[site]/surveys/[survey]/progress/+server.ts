import { storedWords } from '$lib/core/words/problems.ts';
import { appStore, isEnded, log } from '$lib/server/app.ts';
import { readProgress } from '$lib/server/store/job-store.ts';
import { getSurvey } from '$lib/server/store/survey-store.ts';

const LOOK_EVERY = 500;

/** Progress of a survey as server-sent events; the last one says how it ended. */
export async function GET({ locals }) {
    const { db } = appStore();
    const { id } = locals.survey;
    let timer: NodeJS.Timeout | undefined;
    let closed = false;
    const stream = new ReadableStream<Uint8Array>({
        start(controller) {
            const encoder = new TextEncoder();
            let last = '';
            const look = async (): Promise<void> => {
                try {
                    const survey = await getSurvey(db, id);
                    const { progress, stopAsked, pauseAsked, isKnocking } = await readProgress(db, id);
                    const ended = !survey || isEnded(survey);
                    const text = JSON.stringify({
                        state: survey?.state ?? 'gone',
                        trouble: storedWords(survey?.trouble ?? ''),
                        stopAsked,
                        pauseAsked,
                        isKnocking,
                        progress,
                    });
                    if (closed) return;
                    // A line now and then keeps proxies and the browser sure that the stream lives.
                    controller.enqueue(
                        encoder.encode(text === last ? ': still here\n\n' : `event: progress\ndata: ${text}\n\n`),
                    );
                    last = text;
                    if (ended) {
                        closed = true;
                        controller.close();
                        return;
                    }
                } catch (error) {
                    // The database is being started again; the next look will find it.
                    log.warn('progress could not be read', { error });
                }
                if (!closed) timer = setTimeout(() => void look(), LOOK_EVERY);
            };
            void look();
        },
        cancel() {
            closed = true;
            clearTimeout(timer);
        },
    });
    return new Response(stream, {
        headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
    });
}
