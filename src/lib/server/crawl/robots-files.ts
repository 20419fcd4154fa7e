/** The robots.txt of each origin, asked for once, as RFC 9309 2.3 says: redirects, unavailable, unreachable. */
import { setTimeout as wait } from 'node:timers/promises';
import { readAddress } from '../../core/address/address.ts';
import { deciderOf, quoteRule, type RobotsDecider } from '../../core/robots/decide.ts';
import {
    crawlDelayFor,
    MAX_ROBOTS_BYTES,
    readRobots,
    robotsText,
    rulesFor,
    type RobotsFile,
} from '../../core/robots/read-robots.ts';
import { isRedirectStatus } from '../../core/gates/gates.ts';
import type { FileRow } from '../../core/survey/survey-rows.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { retryAfter } from './pace.ts';

export interface OriginRobots {
    file: RobotsFile;
    row: FileRow;
    decide: RobotsDecider;
    /** Seconds between requests it asks of our agent; null when it asks for nothing. */
    crawlDelay: number | null;
    /** Everything is closed, because the file could not be had; why. */
    unreachable: string;
    /** The host did not answer at all. */
    noAnswer: NoAnswer | null;
}

export interface RobotsAnswer {
    allowed: boolean;
    /** Rule as quoted, with file and line; empty where no rule decided. */
    rule: string;
    /** The host did not answer at all, so nothing on it can be read either. */
    noAnswer: NoAnswer | null;
}

const MAX_REDIRECTS = 5;
const TRIES_WHEN_BUSY = 3;

type Fetch = (url: string) => Promise<Answer | NoAnswer>;

export class RobotsFiles {
    readonly #origins = new Map<string, Promise<OriginRobots>>();
    readonly #fetch: Fetch;
    readonly #token: string;
    readonly #onFile: (robots: OriginRobots) => void;

    /**
     * @param token product token the rules are read for
     * @param onFile told of every file once it was asked for
     */
    constructor(fetch: Fetch, token: string, onFile: (robots: OriginRobots) => void) {
        this.#fetch = fetch;
        this.#token = token;
        this.#onFile = onFile;
    }

    of(origin: string): Promise<OriginRobots> {
        let known = this.#origins.get(origin);
        if (!known) {
            known = this.#ask(origin);
            this.#origins.set(origin, known);
        }
        return known;
    }

    async verdict(url: string): Promise<RobotsAnswer> {
        const origin = new URL(url).origin;
        const robots = await this.of(origin);
        const { noAnswer } = robots;
        if (robots.unreachable !== '') return { allowed: false, rule: robots.unreachable, noAnswer };
        const { allowed, rule } = robots.decide(url);
        return { allowed, rule: rule ? `${quoteRule(rule)} (${robots.row.url}, line ${rule.line})` : '', noAnswer };
    }

    async #ask(origin: string): Promise<OriginRobots> {
        const first = `${origin}/robots.txt`;
        let url = first;
        let busy = 0;
        for (let hops = 0; ;) {
            const answer = await this.#fetch(url);
            if (!answer.ok) return this.#closed(first, null, `${first} cannot be had: ${answer.say}`, answer);
            if (isRedirectStatus(answer.status)) {
                const target = readAddress(answer.headers.get('location')?.[0] ?? '', url);
                if (!target.ok || ++hops > MAX_REDIRECTS) {
                    return this.#open(first, answer.status, 'redirects without end; taken as no rules');
                }
                url = target.address.url;
                continue;
            }
            if (answer.status === 429 && ++busy < TRIES_WHEN_BUSY) {
                await wait(retryAfter(answer.headers, busy));
                continue;
            }
            if (answer.status >= 500) return this.#closed(first, answer.status, `${first} answered ${answer.status}`);
            if (answer.status !== 200) return this.#open(first, answer.status, `answered ${answer.status}: no rules`);
            const decode = (bytes: Uint8Array): string => new TextDecoder('utf-8').decode(bytes);
            const text = robotsText(answer.body, decode);
            const file = readRobots(text);
            const rules = rulesFor(file, this.#token);
            const delay = crawlDelayFor(file, this.#token);
            const cut = answer.body.length > MAX_ROBOTS_BYTES ? '; what lies beyond 500 KiB was not read' : '';
            return this.#done({
                file,
                row: {
                    kind: 'robots',
                    url,
                    status: 200,
                    note: `${rules.length} ${rules.length === 1 ? 'rule' : 'rules'} for ${this.#token === 'edgemap' ? 'EdgeMap' : this.#token}${delay === null ? '' : `; asks for ${delay} s between requests`}${cut}`,
                    entries: null,
                    text,
                },
                decide: deciderOf(rules),
                crawlDelay: delay,
                unreachable: '',
                noAnswer: null,
            });
        }
    }

    #open(url: string, status: number, note: string): OriginRobots {
        return this.#empty(url, status, note, '');
    }

    #closed(url: string, status: number | null, say: string, noAnswer: NoAnswer | null = null): OriginRobots {
        return this.#empty(url, status, `${say}; everything counts as closed until it can be had`, say, noAnswer);
    }

    #empty(
        url: string,
        status: number | null,
        note: string,
        unreachable: string,
        noAnswer: NoAnswer | null = null,
    ): OriginRobots {
        const row: FileRow = { kind: 'robots', url, status, note, entries: null, text: '' };
        return this.#done({
            file: { groups: [], sitemaps: [], crawlDelays: [] },
            row,
            decide: deciderOf([]),
            crawlDelay: null,
            unreachable,
            noAnswer,
        });
    }

    #done(robots: OriginRobots): OriginRobots {
        this.#onFile(robots);
        return robots;
    }
}
