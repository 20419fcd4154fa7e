/**
 * The threads that answer requests, each with an event loop and a memory of its own behind a socket in the data folder.
 * Views have two of them, so that one which works something out keeps nobody waiting; whatever writes a file or takes one
 * in has a third, so that nobody waits for another's export.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';

/** What a thread is for. */
export type ThreadDuty = 'views' | 'carrying';

export interface WebThreadData {
    socket: string;
    port: number;
    duty: ThreadDuty;
}

/** A request longer under way than this is at work: the next one had better go elsewhere. */
const AT_WORK_MILLISECONDS = 40;
const START_PATIENCE = 60_000;
const MOST_MEGABYTES = 6_144;

export class WebThread {
    readonly duty: ThreadDuty;
    readonly socket: string;
    readonly #script: string;
    readonly #port: number;
    readonly #onEnd: (say: string) => void;
    /** When each request under way began. */
    readonly #since = new Set<{ at: number }>();
    #ready: Promise<void> | null = null;

    constructor(duty: ThreadDuty, socket: string, script: string, port: number, onEnd: (say: string) => void) {
        this.duty = duty;
        this.socket = socket;
        this.#script = script;
        this.#port = port;
        this.#onEnd = onEnd;
    }

    /** Resolves when it answers; starts it where it does not run. */
    ready(): Promise<void> {
        this.#ready ??= this.#start();
        return this.#ready;
    }

    get underWay(): number {
        return this.#since.size;
    }

    isAtWork(now = Date.now()): boolean {
        for (const { at } of this.#since) if (now - at > AT_WORK_MILLISECONDS) return true;
        return false;
    }

    /** A request is handed to it; the answer says that it is done. */
    began(now = Date.now()): () => void {
        const request = { at: now };
        this.#since.add(request);
        return () => void this.#since.delete(request);
    }

    #start(): Promise<void> {
        rmSync(this.socket, { force: true });
        const workerData: WebThreadData = { socket: this.socket, port: this.#port, duty: this.duty };
        const worker = new Worker(this.#script, {
            workerData,
            resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
        });
        const started = new Promise<void>((resolve, reject) => {
            const late = setTimeout(
                () => reject(new Error('a thread of the web process did not start')),
                START_PATIENCE,
            );
            worker.once('message', () => {
                clearTimeout(late);
                resolve();
            });
            worker.once('exit', () => {
                clearTimeout(late);
                reject(new Error('a thread of the web process ended before it answered'));
            });
        });
        worker.on('error', (error) => this.#onEnd(`${error.message}\n${error.stack ?? ''}`));
        worker.on('exit', () => {
            // The next request starts it again.
            this.#ready = null;
            this.#since.clear();
        });
        worker.unref();
        started.catch(() => (this.#ready = null));
        return started;
    }
}

/** Whether a request writes a file out, takes one in, or keeps a revision: work of seconds, on any survey. */
export function isCarrying(method: string, path: string): boolean {
    if (/\.(?:csv|ndjson|graphml)$|\/summary\.json$/.test(path)) return true;
    return method === 'POST' && /\/(?:evidence(?:\/[^/]*)?|resume|decisions|spot)$/.test(path);
}

export class WebThreads {
    readonly #views: WebThread[];
    readonly #carrying: WebThread;

    constructor(folder: string, script: string, port: number, onEnd: (say: string) => void) {
        const thread = (duty: ThreadDuty, name: string): WebThread =>
            new WebThread(duty, join(folder, `web-${name}.sock`), script, port, onEnd);
        this.#views = [thread('views', '1'), thread('views', '2')];
        this.#carrying = thread('carrying', '3');
    }

    /** Resolves when the first answers; the second follows by itself. */
    async start(): Promise<void> {
        await this.#views[0]!.ready();
        this.#views[1]!.ready().catch(() => undefined);
    }

    /**
     * The thread for a request. A survey is looked at on the same thread, which has it in memory already, unless that one
     * is at work and the other is not.
     */
    for(method: string, path: string): WebThread {
        if (isCarrying(method, path)) return this.#carrying;
        const [, site = '0', survey = '0'] = /\/sites\/(\d+)\/(?:surveys\/)?(\d+)/.exec(path) ?? [];
        return chosen(this.#views, Number(site) * 7 + Number(survey));
    }
}

/** @param key the same for what is looked at on the same thread */
export function chosen(threads: readonly WebThread[], key: number, now = Date.now()): WebThread {
    const usual = threads[key % threads.length]!;
    if (!usual.isAtWork(now)) return usual;
    return threads.find((thread) => thread !== usual && !thread.isAtWork(now)) ?? usual;
}
