/**
 * How fast each host is asked: never more connections nor less time between requests than the settings say, and less
 * of both when the host shows that it is too much (429, 503, answers that take ever longer).
 */
import { setMaxListeners } from 'node:events';
import { hostOf } from '../../core/address/address.ts';
import type { HostProgress, SlowReason } from '../../core/survey/progress.ts';

export interface PaceSettings {
    /** Connections to one host at a time. */
    concurrency: number;
    /** Least milliseconds between two requests to one host. */
    delay: number;
    useCrawlDelay: boolean;
}

interface Waiting {
    go: (granted: boolean) => void;
}

interface Host {
    name: string;
    queue: Waiting[];
    inUse: number;
    allowed: number;
    /** No request before this, milliseconds since 1970. */
    notBefore: number;
    pausedUntil: number;
    crawlDelay: number | null;
    asked: number;
    /** Moving mean of answer times, and the best it has been. */
    mean: number;
    best: number;
    /** Answers since the number of connections last changed. */
    since: number;
    slowed: SlowReason | null;
    timer: NodeJS.Timeout | null;
}

/** Weight of a new answer in the moving mean. */
const WEIGHT = 0.15;
/** Slower than this and than so many times the best is "too much for it". */
const SLOW_MILLISECONDS = 800;
const SLOW_TIMES = 4;
/** Good answers before one more connection is tried again. */
const RECOVER_AFTER = 20;
/** A Crawl-delay beyond this is not kept to: a survey would not end. */
const MAX_CRAWL_DELAY = 60_000;

export class HostPaces {
    readonly #settings: PaceSettings;
    readonly #hosts = new Map<string, Host>();
    #closed = false;

    constructor(settings: PaceSettings) {
        this.#settings = settings;
    }

    /**
     * Waits for the host's turn, then does the work and gives the turn back.
     * @param work is told how to say that the head of the answer has come
     * @returns null when waiting was given up, because everything stops
     */
    async take<T>(url: string, stop: AbortSignal, work: (onHead: () => void) => Promise<T>): Promise<T | null> {
        const host = this.#host(hostOf(url));
        if (stop.aborted || !(await this.#turn(host, stop))) return null;
        const started = Date.now();
        try {
            return await work(() => {
                // Counted from the answer: only then is it certain that the host had the request.
                host.notBefore = Date.now() + this.#delayOf(host);
                this.#note(host, Date.now() - started);
            });
        } finally {
            host.inUse--;
            this.#feed(host);
        }
    }

    /** The host asked for a pause. */
    pause(url: string, milliseconds: number, why: SlowReason): void {
        const host = this.#host(hostOf(url));
        host.pausedUntil = Math.max(host.pausedUntil, Date.now() + milliseconds);
        if (host.since > 0 || host.allowed === this.#settings.concurrency) {
            host.allowed = Math.max(1, host.allowed >> 1);
            host.since = 0;
        }
        host.slowed = why;
    }

    /** What robots.txt asks for, in seconds. */
    setCrawlDelay(host: string, seconds: number | null): void {
        this.#host(host).crawlDelay = seconds;
    }

    /** The host that rests longest; null when none does. */
    longestRest(): { host: string; why: SlowReason | null; milliseconds: number } | null {
        let longest: ReturnType<HostPaces['longestRest']> = null;
        for (const host of this.#hosts.values()) {
            const milliseconds = host.pausedUntil - Date.now();
            if (milliseconds > (longest?.milliseconds ?? 0)) {
                longest = { host: host.name, why: host.slowed, milliseconds };
            }
        }
        return longest;
    }

    progress(): HostProgress[] {
        return [...this.#hosts.values()]
            .filter((host) => host.asked > 0)
            .sort((a, b) => b.asked - a.asked)
            .slice(0, 50)
            .map((host) => ({
                host: host.name,
                asked: host.asked,
                milliseconds: Math.round(host.mean),
                inUse: host.inUse,
                allowed: host.allowed,
                delay: this.#delayOf(host),
                crawlDelay: host.crawlDelay,
                slowed: host.slowed,
            }));
    }

    /** Gives up everything that waits. */
    close(): void {
        this.#closed = true;
        for (const host of this.#hosts.values()) {
            if (host.timer) clearTimeout(host.timer);
            for (const waiting of host.queue.splice(0)) waiting.go(false);
        }
    }

    #host(name: string): Host {
        let host = this.#hosts.get(name);
        if (!host) {
            host = {
                name,
                queue: [],
                inUse: 0,
                allowed: this.#settings.concurrency,
                notBefore: 0,
                pausedUntil: 0,
                crawlDelay: null,
                asked: 0,
                mean: 0,
                best: Infinity,
                since: 0,
                slowed: null,
                timer: null,
            };
            this.#hosts.set(name, host);
        }
        return host;
    }

    #delayOf(host: Host): number {
        const asked = this.#settings.useCrawlDelay && host.crawlDelay !== null ? host.crawlDelay * 1000 : 0;
        return Math.max(this.#settings.delay, Math.min(asked, MAX_CRAWL_DELAY));
    }

    #turn(host: Host, stop: AbortSignal): Promise<boolean> {
        return new Promise((resolve) => {
            const waiting: Waiting = {
                go: (granted) => {
                    stop.removeEventListener('abort', giveUp);
                    resolve(granted);
                },
            };
            const giveUp = (): void => {
                host.queue.splice(host.queue.indexOf(waiting), 1);
                resolve(false);
            };
            // As many wait as there are URLs under way; each is taken off when its turn comes.
            setMaxListeners(0, stop);
            stop.addEventListener('abort', giveUp, { once: true });
            host.queue.push(waiting);
            this.#feed(host);
        });
    }

    #feed(host: Host): void {
        while (host.queue.length > 0 && host.inUse < host.allowed && !this.#closed) {
            const now = Date.now();
            const from = Math.max(host.notBefore, host.pausedUntil);
            if (from > now) {
                host.timer ??= setTimeout(() => {
                    host.timer = null;
                    this.#feed(host);
                }, from - now);
                return;
            }
            host.inUse++;
            host.asked++;
            host.notBefore = now + this.#delayOf(host);
            host.queue.shift()!.go(true);
        }
    }

    /** Fewer connections where answers take ever longer, one more again where they do not. */
    #note(host: Host, milliseconds: number): void {
        host.mean = host.mean === 0 ? milliseconds : host.mean + (milliseconds - host.mean) * WEIGHT;
        host.since++;
        if (host.asked >= 8) host.best = Math.min(host.best, Math.max(host.mean, 1));
        if (host.since < host.allowed * 4 || host.best === Infinity) return;
        if (host.mean > SLOW_MILLISECONDS && host.mean > host.best * SLOW_TIMES && host.allowed > 1) {
            host.slowed = { code: 'slower', times: Math.round(host.mean / host.best) };
            host.allowed = Math.max(1, host.allowed >> 1);
            host.since = 0;
        } else if (
            host.allowed < this.#settings.concurrency &&
            host.since >= RECOVER_AFTER &&
            (host.mean < SLOW_MILLISECONDS || host.mean < host.best * 2)
        ) {
            host.allowed++;
            host.since = 0;
            if (host.allowed === this.#settings.concurrency) host.slowed = null;
        }
    }
}
