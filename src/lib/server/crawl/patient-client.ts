/** Requests of one survey, with patience: what may pass is tried again, a busy server is given the time it asks for. */
import { setTimeout as wait } from 'node:timers/promises';
import type { Agent } from 'undici';
import type { Belonging } from '../../core/scope/belonging.ts';
import { isHtmlType } from '../../core/gates/gates.ts';
import type { ProblemCode } from '../../core/problems/problem.ts';
import type { NotRead } from '../../core/survey/survey-rows.ts';
import type { SurveySecrets, SurveySettings } from '../../core/survey/settings.ts';
import { connectKey, isPrivateAddress, surveyAgent } from './connect.ts';
import { fetchUrl, STOPPED, type Answer, type BodyWanted, type NoAnswer } from './fetch-url.ts';
import { HostPaces } from './host-pace.ts';
import { saysNothing } from './media-type.ts';
import { retryAfter } from './pace.ts';
import type { Pin } from './pins.ts';

const ACCEPT_PAGES = 'text/html,application/xhtml+xml;q=0.9,*/*;q=0.5';
const ACCEPT_FILES = 'text/plain,application/xml,text/xml,*/*;q=0.5';
const ACCEPT_ANY = '*/*';
/** Tries of one URL before its failure counts. */
const MAX_TRIES = 3;
/** What may be otherwise a moment later. */
const PASSING: ReadonlySet<NotRead> = new Set(['lost', 'timeout', 'refused']);
const PASSING_BODIES: ReadonlySet<ProblemCode> = new Set(['body-broken-off', 'body-length']);

export interface ClientInput {
    settings: SurveySettings;
    secrets: SurveySecrets;
    belonging: Belonging;
    pins: Pin[];
    /** Aborted to give up whatever is under way. */
    stop: AbortSignal;
}

export class PatientClient {
    readonly #agent: Agent;
    readonly #input: ClientInput;
    readonly #secretHeaders: Record<string, string>;
    readonly paces: HostPaces;

    constructor(input: ClientInput) {
        const { settings, pins } = input;
        const startHost = new URL(settings.start).hostname;
        const isPrivateStart = isPrivateAddress(startHost) || startHost === 'localhost';
        this.#input = input;
        this.#secretHeaders = headersOf(input.secrets);
        this.paces = new HostPaces(settings);
        this.#agent = surveyAgent({
            pins,
            allowPrivate: settings.allowPrivate,
            privateOrigin: isPrivateStart ? connectKey(settings.start) : null,
            concurrency: settings.concurrency,
        });
    }

    get isStopped(): boolean {
        return this.#input.stop.aborted;
    }

    /** A page: its body is read where it is HTML or nobody said what it is; of others only what tells their type. */
    fetchPage(url: string): Promise<Answer | NoAnswer> {
        const wants = (status: number, type: string): BodyWanted =>
            saysNothing(type) || isHtmlType(type) ? 'all' : status === 200 ? 'head' : 'none';
        return this.#fetch(url, ACCEPT_PAGES, wants, this.#input.settings.maxBytes);
    }

    /** A robots.txt or sitemap: its body is always read. */
    fetchFile(url: string, maxBytes = this.#input.settings.maxBytes): Promise<Answer | NoAnswer> {
        return this.#fetch(url, ACCEPT_FILES, () => 'all', maxBytes);
    }

    /** Only the status matters: HEAD, and GET without the body where HEAD is not understood. */
    async fetchStatus(url: string): Promise<Answer | NoAnswer> {
        const head = await this.#fetch(url, ACCEPT_ANY, () => 'none', 0, 'HEAD');
        if (head.ok ? ![400, 403, 404, 405, 501].includes(head.status) : head.code !== 'broken-reply') return head;
        return this.#fetch(url, ACCEPT_ANY, () => 'none', 0);
    }

    async close(): Promise<void> {
        this.paces.close();
        await this.#agent.destroy();
    }

    async #fetch(
        url: string,
        accept: string,
        wantsBody: (status: number, sentType: string) => BodyWanted,
        maxBytes: number,
        method: 'GET' | 'HEAD' = 'GET',
    ): Promise<Answer | NoAnswer> {
        const { stop, settings, belonging } = this.#input;
        // Secrets are for the hosts of the site alone: a redirect elsewhere must not carry them out.
        const headers = belonging.belongs(url) ? this.#secretHeaders : {};
        for (let tries = 1; ; tries++) {
            const answer = await this.paces.take(url, stop, (onHead) =>
                fetchUrl(url, {
                    dispatcher: this.#agent,
                    method,
                    agent: settings.agent,
                    accept,
                    headers,
                    wantsBody,
                    maxBytes,
                    signal: stop,
                    onHead,
                }),
            );
            if (answer === null || this.isStopped) return STOPPED;
            if (answer.ok && (answer.status === 429 || answer.status === 503)) {
                // The whole host is given a rest, not this URL alone: the server is the one that is busy.
                const milliseconds = retryAfter(answer.headers, tries);
                this.paces.pause(url, milliseconds, { code: 'answered', status: answer.status });
                if (tries >= MAX_TRIES) return answer;
                continue;
            }
            if (tries >= MAX_TRIES) return answer;
            if (!answer.ok) {
                if (!PASSING.has(answer.code)) return answer;
            } else if (answer.bodyTrouble === null || !PASSING_BODIES.has(answer.bodyTrouble.code)) return answer;
            await wait(250 * 4 ** (tries - 1), undefined, { signal: stop }).catch(() => undefined);
        }
    }
}

/** Headers that carry the secrets of a survey. */
function headersOf(secrets: SurveySecrets): Record<string, string> {
    const headers: Record<string, string> = {};
    if (secrets.signIn) {
        const { user, password } = secrets.signIn;
        headers.authorization = `Basic ${Buffer.from(`${user}:${password}`, 'utf8').toString('base64')}`;
    }
    for (const [name, value] of secrets.headers) headers[name.toLowerCase()] = value;
    if (secrets.cookies.length > 0)
        headers.cookie = secrets.cookies.map(([name, value]) => `${name}=${value}`).join('; ');
    return headers;
}
