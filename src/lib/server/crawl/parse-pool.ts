/** Reads documents in worker threads, so that fetching never waits for parsing. */
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { problem, type Problem } from '../../core/problems/problem.ts';
import { projectRoot } from '../process/data-folder.ts';
import { BlockReceiver, type PlacedBlock } from './block-relay.ts';
import { NOTHING_READ, processorTime, READING, THREAD, toldByThread } from './parse-watch.ts';
import type { ParseReply, ParseRequest } from './parse-thread.ts';
import type { PackedDetails, RelayedFacts } from './read-answer.ts';

export type ParseJob = Omit<ParseRequest, 'id' | 'bytes'> & { bytes: Uint8Array };

/** What of the facts is needed to go on; the rest comes packed. */
export type FactsToGoOn = RelayedFacts & { blocks: PlacedBlock[] };

export type ParseResult = { ok: true; facts: FactsToGoOn; details: PackedDetails } | { ok: false; problem: Problem };

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
    /** Documents it has been given, oldest first. */
    sent: Sent[];
    /** What the thread says of itself while it is busy, in memory that both share. */
    told: Int32Array;
    /** The document that was being read at the last look, and what the thread had computed by then, milliseconds. */
    watched: { id: number; from: number };
    /** Deaths in a row that no document did. */
    deaths: number;
}

/** Room for a document and its tree: with less of it, what is gone a moment later is copied first. */
const YOUNG_MEGABYTES = 48;
/**
 * Bytes of documents that wait, added up look by look, before another thread is opened. A thread takes a second of
 * computing until its code is fast, and one that is fast reads small documents quicker than they are fetched.
 */
const WORTH_ANOTHER = 1024 * 1024;
/** Documents given to a thread at once: it need not wait until we come round to give it the next. */
const GIVEN_AHEAD = 2;

/**
 * Bytes of documents given to all threads at once; one that is larger is read while no other is. A tree takes some
 * thirty times the bytes of its document: without a bound the largest pages of a site, met side by side, take more
 * memory than all else together.
 */
const BYTES_AT_ONCE = 8 * 1024 * 1024;

/**
 * A document that takes more computing than this is hostile or broken: its thread is ended, the page keeps its status.
 * Time of the processor, not of the clock: what is found must not depend on what else the machine does.
 */
const DOCUMENT_MILLISECONDS = 30_000;
const LOOK_EVERY = 500;
/** A thread that dies so often before it reads anything does so of itself. */
const MOST_DEATHS = 3;

export interface ParsePoolOptions {
    /** Most threads; as many as the documents that wait are worth. */
    threads?: number;
    /** What the threads run. */
    script?: string;
    /** Computing that one document may take, milliseconds. */
    documentMilliseconds?: number;
}

export class ParsePool {
    readonly #threads: Thread[] = [];
    readonly #queue: Waiting[] = [];
    readonly #most: number;
    #waited = 0;
    readonly #script: string;
    readonly #limit: number;
    readonly #looking: NodeJS.Timeout;
    #nextId = 0;
    #closed = false;

    constructor({
        threads = Math.max(1, Math.min(4, availableParallelism())),
        script = join(projectRoot(), 'build/node/parse-thread.js'),
        documentMilliseconds = DOCUMENT_MILLISECONDS,
    }: ParsePoolOptions = {}) {
        this.#script = script;
        this.#limit = documentMilliseconds;
        this.#looking = setInterval(() => this.#look(), Math.min(LOOK_EVERY, documentMilliseconds / 2));
        this.#most = threads;
        this.#threads.push(this.#open());
    }

    read(job: ParseJob): Promise<ParseResult> {
        return new Promise((done) => {
            this.#queue.push({ job, done });
            this.#feed();
        });
    }

    /** Threads that are open. */
    get threads(): number {
        return this.#threads.length;
    }

    #openIfWorth(): void {
        if (this.#threads.length >= this.#most || this.#closed) return;
        const waiting = this.#queue.reduce((sum, { job }) => sum + job.bytes.length, 0);
        this.#waited = waiting === 0 ? 0 : this.#waited + waiting;
        if (this.#waited <= WORTH_ANOTHER && !this.#isHeldUp()) return;
        this.#waited = 0;
        this.#threads.push(this.#open());
        this.#feed();
    }

    /** Documents wait while every thread has been at one document since the last look: what is hostile holds nobody up. */
    #isHeldUp(): boolean {
        if (this.#queue.length === 0) return false;
        return this.#threads.every(({ told, watched }) => {
            const reading = Atomics.load(told, READING);
            return reading !== NOTHING_READ && reading === watched.id;
        });
    }

    async close(): Promise<void> {
        this.#closed = true;
        clearInterval(this.#looking);
        await Promise.all(this.#threads.map((thread) => thread.worker.terminate()));
    }

    #open(): Thread {
        const told = toldByThread();
        const thread: Thread = {
            worker: this.#start(told, () => thread),
            receiver: new BlockReceiver(),
            sent: [],
            told,
            watched: { id: NOTHING_READ, from: 0 },
            deaths: 0,
        };
        return thread;
    }

    #start(told: Int32Array, thread: () => Thread): Worker {
        const worker = new Worker(this.#script, {
            resourceLimits: { maxOldGenerationSizeMb: 1024, maxYoungGenerationSizeMb: YOUNG_MEGABYTES },
            workerData: told,
        });
        worker.on('message', (reply: ParseReply) => {
            const { sent, receiver, worker: current } = thread();
            if (worker !== current || reply.id !== sent[0]?.id) return;
            thread().deaths = 0;
            sent.shift()!.done(
                reply.ok
                    ? {
                          ok: true,
                          facts: { ...reply.facts, blocks: receiver.receive(reply.relay) },
                          details: reply.details,
                      }
                    : reply,
            );
            this.#feed();
        });
        worker.on('error', (error) => {
            if (worker === thread().worker)
                this.#replace(thread(), problem('document-failed', { cause: error.message }));
        });
        return worker;
    }

    /**
     * Puts a new thread in the place of one that died or has to. The document it was reading is the one that did it: told
     * by the thread itself, for its answers to those before may still be on their way. All others are given out again.
     */
    #replace(thread: Thread, why: Problem): void {
        if (this.#closed) return;
        void thread.worker.terminate();
        const reading = Atomics.load(thread.told, READING);
        const again = thread.sent.splice(0);
        let guilty = again.find((item) => item.id === reading);
        if (!guilty && ++thread.deaths >= MOST_DEATHS) guilty = again[0];
        if (guilty) thread.deaths = 0;
        thread.told = toldByThread();
        thread.watched = { id: NOTHING_READ, from: 0 };
        thread.worker = this.#start(thread.told, () => thread);
        thread.receiver = new BlockReceiver();
        this.#queue.unshift(...again.filter((item) => item !== guilty));
        guilty?.done({ ok: false, problem: why });
        this.#feed();
    }

    /** Looks whether another thread is worth it, and how much computing each has put into the document it reads. */
    #look(): void {
        this.#openIfWorth();
        for (const thread of this.#threads) {
            const reading = Atomics.load(thread.told, READING);
            const spent = processorTime(Atomics.load(thread.told, THREAD));
            if (spent === null || reading === NOTHING_READ || thread.watched.id !== reading) {
                thread.watched = { id: reading, from: spent ?? 0 };
            } else if (spent - thread.watched.from > this.#limit) {
                const seconds = Math.round(this.#limit / 1_000);
                this.#replace(thread, problem('document-slow', { seconds }));
            }
        }
    }

    #feed(): void {
        for (let ahead = 1; ahead <= GIVEN_AHEAD; ahead++) {
            for (const thread of this.#threads) {
                if (thread.sent.length >= ahead || this.#closed) continue;
                const waiting = this.#nextThatFits();
                if (!waiting) return;
                this.#give(thread, waiting);
            }
        }
    }

    /**
     * Takes the oldest document for which there is room beside those that are out. A large one is overtaken by no more
     * than the few hundred documents that are ever under way at once.
     */
    #nextThatFits(): Waiting | undefined {
        let out = 0;
        for (const { sent } of this.#threads) for (const { job } of sent) out += job.bytes.length;
        const at = this.#queue.findIndex(({ job }) => out === 0 || out + job.bytes.length <= BYTES_AT_ONCE);
        return at === -1 ? undefined : this.#queue.splice(at, 1)[0];
    }

    #give(thread: Thread, waiting: Waiting): void {
        const id = this.#nextId++;
        thread.sent.push({ ...waiting, id });
        // Pooled Buffers share one ArrayBuffer (and Buffer's slice copies nothing): the bytes get one of their own
        // before they are handed over; the job keeps its own, in case it must be given out again.
        const bytes = new Uint8Array(waiting.job.bytes).buffer;
        const request: ParseRequest = { ...waiting.job, id, bytes };
        thread.worker.postMessage(request, [bytes]);
    }
}
