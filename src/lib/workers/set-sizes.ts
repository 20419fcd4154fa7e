/** Asks the set worker how large a set is; started when it is first asked. */
import SetWorker from './set-worker.ts?worker';
import type { CountReply, CountRequest } from './set-worker.ts';

export class SetSizes {
    #worker: Worker | null = null;
    #next = 0;
    readonly #waiting = new Map<number, (size: number | null) => void>();

    /** @returns its size; null for what is no set, or cannot be told in the browser */
    of(survey: string, revision: string, text: string): Promise<number | null> {
        this.#worker ??= this.#start();
        const request: CountRequest = { id: ++this.#next, survey, revision, text };
        return new Promise((resolve) => {
            this.#waiting.set(request.id, resolve);
            this.#worker?.postMessage(request);
        });
    }

    close(): void {
        this.#worker?.terminate();
        this.#worker = null;
        for (const resolve of this.#waiting.values()) resolve(null);
        this.#waiting.clear();
    }

    #start(): Worker {
        const worker = new SetWorker();
        worker.onmessage = ({ data }: MessageEvent<CountReply>) => {
            this.#waiting.get(data.id)?.(data.size);
            this.#waiting.delete(data.id);
        };
        // A worker that cannot run tells no sizes, and the line works without.
        worker.onerror = () => this.close();
        return worker;
    }
}
