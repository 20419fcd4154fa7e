/** What is told of a run while it lasts: counts, pace, the last failures. */
import type { CrawlStep, CrawlWait, SurveyProgress } from '../../core/survey/progress.ts';
import type { SettledPage } from './earlier-run.ts';
import type { RunParts } from './run-parts.ts';

/** Families told of at the end of a run, and several times a second while it lasts. */
const MOST_FAMILIES = 1_000;
const FAMILIES_MEANWHILE = 50;
const PROGRESS_EVERY = 300;
const FAILURES_TOLD = 20;
/** Milliseconds the pace is counted over. */
const PACE_SPAN = 10_000;

export class RunTelling {
    readonly #parts: RunParts;
    readonly #onProgress: (progress: SurveyProgress) => void;
    readonly #finishTimes: number[] = [];
    readonly #recentFailures: SurveyProgress['recentFailures'] = [];
    readonly #counts = { read: 0, unanswered: 0, failures: 0, closedByRobots: 0, actions: 0, trapped: 0 };
    #doing: CrawlStep = 'starting';
    #last = 0;

    constructor(parts: RunParts, onProgress: (progress: SurveyProgress) => void) {
        this.#parts = parts;
        this.#onProgress = onProgress;
    }

    /** Counts a settled URL. @param isNew settled by this run, not by an earlier one */
    count(page: SettledPage, url: string, isNew: boolean): void {
        const counts = this.#counts;
        if (page.notRead === 'robots') counts.closedByRobots++;
        else if (page.notRead === 'action') counts.actions++;
        else if (page.notRead === 'trap') counts.trapped++;
        else {
            if (page.status === null) counts.unanswered++;
            else counts.read++;
            if (page.failure !== '') {
                counts.failures++;
                this.#recentFailures.unshift({ url, failure: page.failure, at: page.readAt ?? Date.now() });
                this.#recentFailures.length = Math.min(this.#recentFailures.length, FAILURES_TOLD);
            }
            if (isNew) this.#finishTimes.push(Date.now());
        }
    }

    /** Tells what is done now; not more often than a few times a second where that is what it was. */
    say(doing: CrawlStep, always = false): void {
        const now = Date.now();
        const changed = doing !== this.#doing;
        this.#doing = doing;
        if (!always && !changed && now - this.#last < PROGRESS_EVERY) return;
        this.#last = now;
        const { frontier, client, families, checks } = this.#parts;
        const hosts = client.paces.progress();
        this.#onProgress({
            doing,
            ...this.#counts,
            found: frontier.known,
            rate: this.#pace(now),
            level: frontier.level === -1 ? null : frontier.level,
            levels: frontier.levels(),
            waiting: this.#waiting(hosts),
            warning: null,
            hosts,
            recentFailures: [...this.#recentFailures],
            families: families.list(always ? MOST_FAMILIES : FAMILIES_MEANWHILE),
            checks: checks.progress(),
        });
    }

    /** URLs a second, over the last ten. */
    #pace(now: number): number {
        while ((this.#finishTimes[0] ?? now) < now - PACE_SPAN) this.#finishTimes.shift();
        const span = Math.max(1, (now - (this.#finishTimes[0] ?? now)) / 1000);
        return Math.round((this.#finishTimes.length / span) * 10) / 10;
    }

    /** What slows it: a host that rests, or one that gets fewer connections. */
    #waiting(hosts: SurveyProgress['hosts']): CrawlWait | null {
        const { client, settings } = this.#parts;
        const rest = client.paces.longestRest();
        if (rest) {
            return { code: 'rest', host: rest.host, why: rest.why, seconds: Math.ceil(rest.milliseconds / 1000) };
        }
        for (const { host, slowed, allowed } of hosts) {
            if (slowed) return { code: 'slowed', host, why: slowed, allowed, of: settings.concurrency };
        }
        return null;
    }
}
