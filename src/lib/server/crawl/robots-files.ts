/** The robots.txt of each origin, asked for once, as RFC 9309 2.3 says: redirects, unavailable, unreachable. */
import { setTimeout as wait } from 'node:timers/promises';
import { readAddress } from '../../core/address/address.ts';
import { problem, writeProblem, writeProblems, type Problem } from '../../core/problems/problem.ts';
import { deciderOf, type RobotsDecider } from '../../core/robots/decide.ts';
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
    /** Everything is closed, because the file could not be had: why; null where it could. */
    unreachable: Problem<'robots-error' | 'robots-unanswered'> | null;
    /** The host did not answer at all. */
    noAnswer: NoAnswer | null;
}

export interface RobotsAnswer {
    allowed: boolean;
    /** The rule that decides, or why everything is closed; null where no rule decided. */
    rule: Problem<'robots-rule' | 'robots-error' | 'robots-unanswered'> | null;
    /** The host did not answer at all, so nothing on it can be read either. */
    noAnswer: NoAnswer | null;
}

/** A file closes, and no rule of it is known. */
export const NO_RULE = problem('told', { say: 'robots.txt' });

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
        if (robots.unreachable !== null) return { allowed: false, rule: robots.unreachable, noAnswer };
        const { allowed, rule } = robots.decide(url);
        const decides =
            rule &&
            problem('robots-rule', {
                allows: rule.allow,
                pattern: rule.pattern,
                file: robots.row.url,
                line: rule.line,
            });
        return { allowed, rule: decides || null, noAnswer };
    }

    async #ask(origin: string): Promise<OriginRobots> {
        const first = `${origin}/robots.txt`;
        let url = first;
        let busy = 0;
        for (let hops = 0; ;) {
            const answer = await this.#fetch(url);
            if (!answer.ok) {
                const why = problem('robots-unanswered', { file: first, why: answer.problem });
                return this.#closed(first, null, why, answer);
            }
            if (isRedirectStatus(answer.status)) {
                const target = readAddress(answer.headers.get('location')?.[0] ?? '', url);
                if (!target.ok || ++hops > MAX_REDIRECTS) {
                    return this.#open(first, answer.status, problem('robots-endless', { status: answer.status }));
                }
                url = target.address.url;
                continue;
            }
            if (answer.status === 429 && ++busy < TRIES_WHEN_BUSY) {
                await wait(retryAfter(answer.headers, busy));
                continue;
            }
            if (answer.status >= 500) {
                return this.#closed(
                    first,
                    answer.status,
                    problem('robots-error', { file: first, status: answer.status }),
                );
            }
            if (answer.status !== 200) {
                return this.#open(first, answer.status, problem('robots-none', { status: answer.status }));
            }
            const decode = (bytes: Uint8Array): string => new TextDecoder('utf-8').decode(bytes);
            const text = robotsText(answer.body, decode);
            const file = readRobots(text);
            const rules = rulesFor(file, this.#token);
            const delay = crawlDelayFor(file, this.#token);
            return this.#done({
                file,
                row: {
                    kind: 'robots',
                    url,
                    status: 200,
                    note: writeProblems([
                        problem('robots-read', {
                            rules: rules.length,
                            token: this.#token,
                            delay,
                            isCut: answer.body.length > MAX_ROBOTS_BYTES,
                        }),
                        ...(url === first ? [] : [problem('robots-redirected', { from: first })]),
                    ]),
                    entries: null,
                    text,
                },
                decide: deciderOf(rules),
                crawlDelay: delay,
                unreachable: null,
                noAnswer: null,
            });
        }
    }

    #open(url: string, status: number, note: Problem): OriginRobots {
        return this.#empty(url, status, note, null);
    }

    #closed(
        url: string,
        status: number | null,
        why: Problem<'robots-error' | 'robots-unanswered'>,
        noAnswer: NoAnswer | null = null,
    ): OriginRobots {
        return this.#empty(url, status, problem('all-closed', { why }), why, noAnswer);
    }

    #empty(
        url: string,
        status: number | null,
        note: Problem,
        unreachable: OriginRobots['unreachable'],
        noAnswer: NoAnswer | null = null,
    ): OriginRobots {
        const row: FileRow = { kind: 'robots', url, status, note: writeProblem(note), entries: null, text: '' };
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
