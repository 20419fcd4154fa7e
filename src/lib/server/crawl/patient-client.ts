/** Requests of one survey, with patience: what may pass is tried again, a busy server is given the time it asks for. */
import { setTimeout as wait } from 'node:timers/promises';
import type { Agent } from 'undici';
import { isHtmlType } from '../../core/gates/gates.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { connectKey, isPrivateAddress, surveyAgent } from './connect.ts';
import { fetchUrl, type Answer, type NoAnswer } from './fetch-url.ts';
import { retryAfter } from './pace.ts';
import type { Pin } from './pins.ts';

const ACCEPT_PAGES = 'text/html,application/xhtml+xml;q=0.9,*/*;q=0.5';
const ACCEPT_FILES = 'text/plain,application/xml,text/xml,*/*;q=0.5';
/** Tries of one URL before its failure counts. */
const MAX_TRIES = 3;

export class PatientClient {
    readonly #agent: Agent;
    readonly #stop: AbortSignal;
    #pausedUntil = 0;

    /** @param stop aborted to give up whatever is under way */
    constructor(settings: SurveySettings, pins: Pin[], stop: AbortSignal) {
        const startHost = new URL(settings.start).hostname;
        const isPrivateStart = isPrivateAddress(startHost) || startHost === 'localhost';
        this.#stop = stop;
        this.#agent = surveyAgent({
            pins,
            allowPrivate: settings.allowPrivate,
            privateOrigin: isPrivateStart ? connectKey(settings.start) : null,
            concurrency: settings.concurrency,
        });
    }

    /** The server asked for a pause, and it lasts. */
    get isWaiting(): boolean {
        return Date.now() < this.#pausedUntil;
    }

    get isStopped(): boolean {
        return this.#stop.aborted;
    }

    /** A page: its body is read where it is HTML, or where nobody said what it is. */
    fetchPage(url: string): Promise<Answer | NoAnswer> {
        const isUnknown = (type: string): boolean => type === '' || type.includes('unknown') || type === '*/*';
        return this.#fetch(url, ACCEPT_PAGES, (_, type) => isUnknown(type) || isHtmlType(type));
    }

    /** A robots.txt or sitemap: its body is always read. */
    fetchFile(url: string, maxBytes?: number): Promise<Answer | NoAnswer> {
        return this.#fetch(url, ACCEPT_FILES, () => true, maxBytes);
    }

    async close(): Promise<void> {
        await this.#agent.destroy();
    }

    async #fetch(
        url: string,
        accept: string,
        wantsBody: (status: number, sentType: string) => boolean,
        maxBytes?: number,
    ): Promise<Answer | NoAnswer> {
        for (let tries = 1; ; tries++) {
            while (this.isWaiting && !this.isStopped) await wait(50);
            const answer = await fetchUrl(url, {
                dispatcher: this.#agent,
                accept,
                wantsBody,
                maxBytes,
                signal: this.#stop,
            });
            if (tries >= MAX_TRIES || this.isStopped) return answer;
            if (!answer.ok) {
                if (answer.code !== 'lost' && answer.code !== 'timeout' && answer.code !== 'refused') return answer;
                await wait(250 * 4 ** (tries - 1));
            } else if (answer.status === 429 || answer.status === 503) {
                // The whole survey slows down, not this URL alone: the server is the one that is busy.
                this.#pausedUntil = Math.max(this.#pausedUntil, Date.now() + retryAfter(answer.headers, tries));
            } else return answer;
        }
    }
}
