/** Reads documents in worker threads, so that fetching never waits for parsing. */
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { projectRoot } from '../process/data-folder.ts';
import { BlockReceiver, type PlacedBlock } from './block-relay.ts';
import type { PackedDetails, ParseReply, ParseRequest, RelayedFacts } from './parse-thread.ts';

export type ParseJob = Omit<ParseRequest, 'id' | 'bytes'> & { bytes: Uint8Array };

/** What of the facts is needed to go on; the rest comes packed. */
export type FactsToGoOn = RelayedFacts & { blocks: PlacedBlock[] };

export type ParseResult = { ok: true; facts: FactsToGoOn; details: PackedDetails } | { ok: false; say: string };

interface Waiting {
    job: ParseJob;
    done: (result: ParseResult) => void;
}

interface Sent extends Waiting {
    id: number;
}

interface Thread {
    worker: Worker;
    receiver: BlockReceiver;
    /** Documents it has been given, oldest first: the first is being read, the others wait for it. */
    sent: Sent[];
    /** Runs out when the first takes too long. */
    timer: NodeJS.Timeout | null;
}

/** Documents given to a thread at once: it need not wait until we come round to give it the next. */
const GIVEN_AHEAD = 2;

/** A document that takes longer than this is hostile or broken: its thread is ended, the page keeps its status. */
const DOCUMENT_MILLISECONDS = 30_000;

export class ParsePool {
    readonly #threads: Thread[] = [];
    readonly #queue: Waiting[] = [];
    readonly #script: string;
    #nextId = 0;
    #closed = false;

    /** @param script what the threads run */
    constructor(
        threads = Math.max(1, Math.min(4, availableParallelism())),
        script = join(projectRoot(), 'build/node/parse-thread.js'),
    ) {
        this.#script = script;
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
        for (const thread of this.#threads) if (thread.timer) clearTimeout(thread.timer);
        await Promise.all(this.#threads.map((thread) => thread.worker.terminate()));
    }

    #open(): Thread {
        const thread: Thread = {
            worker: this.#start(() => thread),
            receiver: new BlockReceiver(),
            sent: [],
            timer: null,
        };
        return thread;
    }

    #start(thread: () => Thread): Worker {
        const worker = new Worker(this.#script, { resourceLimits: { maxOldGenerationSizeMb: 1024 } });
        worker.on('message', (reply: ParseReply) => {
            if (reply.id !== thread().sent[0]?.id || worker !== thread().worker) return;
            const { receiver } = thread();
            this.#finish(
                thread(),
                reply.ok
                    ? {
                          ok: true,
                          facts: { ...reply.facts, blocks: receiver.receive(reply.relay) },
                          details: reply.details,
                      }
                    : reply,
            );
        });
        worker.on('error', (error) => {
            if (worker === thread().worker) this.#replace(thread(), `the document could not be read: ${error.message}`);
        });
        return worker;
    }

    #replace(thread: Thread, say: string): void {
        if (this.#closed) return;
        void thread.worker.terminate();
        thread.worker = this.#start(() => thread);
        thread.receiver = new BlockReceiver();
        // The first is what did it; what waited behind it is given out again.
        this.#queue.unshift(...thread.sent.splice(1));
        this.#finish(thread, { ok: false, say });
    }

    #finish(thread: Thread, result: ParseResult): void {
        thread.sent.shift()?.done(result);
        this.#watch(thread);
        this.#feed();
    }

    /** Starts the time of the document that is being read now. */
    #watch(thread: Thread): void {
        if (thread.timer) clearTimeout(thread.timer);
        thread.timer =
            thread.sent.length === 0
                ? null
                : setTimeout(
                      () => this.#replace(thread, 'the document took longer than 30 seconds to read'),
                      DOCUMENT_MILLISECONDS,
                  );
    }

    #feed(): void {
        for (let ahead = 1; ahead <= GIVEN_AHEAD; ahead++) {
            for (const thread of this.#threads) {
                if (thread.sent.length >= ahead || this.#closed) continue;
                const waiting = this.#queue.shift();
                if (!waiting) return;
                this.#give(thread, waiting);
            }
        }
    }

    #give(thread: Thread, waiting: Waiting): void {
        const id = this.#nextId++;
        thread.sent.push({ ...waiting, id });
        if (thread.sent.length === 1) this.#watch(thread);
        // Pooled Buffers share one ArrayBuffer (and Buffer's slice copies nothing): the bytes get one of their own
        // before they are handed over; the job keeps its own, in case it must be given out again.
        const bytes = new Uint8Array(waiting.job.bytes).buffer;
        const request: ParseRequest = { ...waiting.job, id, bytes };
        thread.worker.postMessage(request, [bytes]);
    }
}
