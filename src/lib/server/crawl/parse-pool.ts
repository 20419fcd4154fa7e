/** Reads documents in worker threads, so that fetching never waits for parsing. */
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { projectRoot } from '../process/data-folder.ts';
import type { FactsToGoOn, PackedDetails, ParseReply, ParseRequest } from './parse-thread.ts';

export type ParseJob = Omit<ParseRequest, 'id' | 'bytes'> & { bytes: Uint8Array };

export type ParseResult = { ok: true; facts: FactsToGoOn; details: PackedDetails } | { ok: false; say: string };

interface Waiting {
    job: ParseJob;
    done: (result: ParseResult) => void;
}

interface Thread {
    worker: Worker;
    current: (Waiting & { id: number; timer: NodeJS.Timeout }) | null;
}

/** A document that takes longer than this is hostile or broken: its thread is ended, the page keeps its status. */
const DOCUMENT_MILLISECONDS = 30_000;

export class ParsePool {
    readonly #threads: Thread[] = [];
    readonly #queue: Waiting[] = [];
    readonly #script = join(projectRoot(), 'build/node/parse-thread.js');
    #nextId = 0;
    #closed = false;

    constructor(threads = Math.max(1, Math.min(4, availableParallelism()))) {
        for (let index = 0; index < threads; index++) this.#threads.push(this.#open());
    }

    read(job: ParseJob): Promise<ParseResult> {
        return new Promise((done) => {
            this.#queue.push({ job, done });
            this.#feed();
        });
    }

    async close(): Promise<void> {
        this.#closed = true;
        await Promise.all(this.#threads.map((thread) => thread.worker.terminate()));
    }

    #open(): Thread {
        const thread: Thread = { worker: this.#start(() => thread), current: null };
        return thread;
    }

    #start(thread: () => Thread): Worker {
        const worker = new Worker(this.#script, { resourceLimits: { maxOldGenerationSizeMb: 1024 } });
        worker.on('message', (reply: ParseReply) => {
            if (reply.id === thread().current?.id) this.#finish(thread(), reply);
        });
        worker.on('error', (error) => this.#replace(thread(), `the document could not be read: ${error.message}`));
        return worker;
    }

    #replace(thread: Thread, say: string): void {
        if (this.#closed) return;
        void thread.worker.terminate();
        thread.worker = this.#start(() => thread);
        this.#finish(thread, { ok: false, say });
    }

    #finish(thread: Thread, result: ParseResult): void {
        const { current } = thread;
        thread.current = null;
        if (current) {
            clearTimeout(current.timer);
            current.done(result);
        }
        this.#feed();
    }

    #feed(): void {
        for (const thread of this.#threads) {
            if (thread.current || this.#closed) continue;
            const waiting = this.#queue.shift();
            if (!waiting) return;
            const id = this.#nextId++;
            const timer = setTimeout(
                () => this.#replace(thread, 'the document took longer than 30 seconds to read'),
                DOCUMENT_MILLISECONDS,
            );
            thread.current = { ...waiting, id, timer };
            // Pooled Buffers share one ArrayBuffer (and Buffer's slice copies nothing): the bytes get one of their own
            // before they are handed over.
            const bytes = new Uint8Array(waiting.job.bytes).buffer;
            const request: ParseRequest = { ...waiting.job, id, bytes };
            thread.worker.postMessage(request, [bytes]);
        }
    }
}
