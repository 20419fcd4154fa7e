/**
 * What becomes of each URL: taken from the rows of an earlier run, left by a verdict of robots.txt, as an action or as
 * one of a closed family, or asked for. The frontier is told where it leads.
 */
import { originOf } from '../../core/address/address.ts';
import { writeProblem } from '../../core/problems/problem.ts';
import { unreadPage, type PageRow } from '../../core/survey/survey-rows.ts';
import { isSignedIn } from '../../core/survey/settings.ts';
import { actionFinder } from '../../core/traps/actions.ts';
import type { TextTraces } from '../../core/traps/families.ts';
import type { LinkLead, SettledPage } from './earlier-run.ts';
import { leadsOf } from './leads.ts';
import type { ReadUrl } from './page-reader.ts';
import type { RunParts } from './run-parts.ts';
import type { RunTelling } from './run-telling.ts';

/** A settled URL, read now or by an earlier run: what its leads depend on. */
export interface Settled {
    page: SettledPage;
    links: LinkLead[];
    traces: TextTraces | null;
}

export class Settling {
    /** Hosts that were asked for pages. */
    readonly hosts = new Set<string>();
    /** Origins that answered 200. */
    readonly origins = new Set<string>();
    /** URLs asked for that count against the limit of pages. */
    asked = 0;
    readonly #parts: RunParts;
    readonly #telling: RunTelling;
    readonly #actionOf: (url: string) => string | null;
    /** What is told of the texts of read pages, until the frontier has absorbed them. */
    readonly #unabsorbed = new Map<number, TextTraces | null>();
    #orderRead = 0;

    constructor(parts: RunParts, telling: RunTelling) {
        this.#parts = parts;
        this.#telling = telling;
        const { settings, decisions } = parts;
        const isAction = actionFinder(settings.actionWords);
        const opened = new Set(isSignedIn(settings) ? [] : decisions.actions);
        const followsAll = settings.followActions && !isSignedIn(settings);
        this.#actionOf = (url) => (followsAll || opened.has(url) ? null : isAction(url));
    }

    async settle(id: number, slot: number): Promise<Settled> {
        const { rows, earlier, families, sitemapAnswers, frontier } = this.#parts;
        const url = rows.urlOf(id);
        this.hosts.add(new URL(url).host);
        const stored = earlier.settled(id);
        // Judged before anything is waited for: the order of these decisions is that of the frontier.
        const counts = !sitemapAnswers.has(id);
        const action = this.#actionOf(url);
        const closed = action === null && counts ? families.take(url) : null;
        const left = action !== null ? 'action' : closed !== null ? 'trap' : null;
        // The count is taken now too: the limit is never overrun by answers under way.
        const orderRead = left !== null ? -1 : this.#orderRead++;
        const isAsked = counts && left === null;
        if (isAsked) this.asked++;
        let settled: Settled;
        if (stored) {
            settled = stored;
            if (stored.page.notRead === 'robots' && isAsked) this.asked--;
        } else {
            const { wasAsked, ...read } = await this.#read(id, url, orderRead, left);
            if (!wasAsked && isAsked) this.asked--;
            if (read.page.notRead === 'stopped') return read;
            settled = read;
        }
        if (settled.page.status === 200 && rows.isInternal(id)) this.origins.add(originOf(url));
        this.#telling.count(settled.page, url, stored === undefined);
        if (settled.page.status !== null) this.#unabsorbed.set(id, settled.traces);
        frontier.settle(slot, leadsOf(settled.page, settled.links, this.#parts), settled.page.status !== null);
        return settled;
    }

    /** The frontier has taken in what a URL led to; told in the same order in every run. */
    absorbed(id: number, fresh: number[]): void {
        const { rows, families } = this.#parts;
        const traces = this.#unabsorbed.get(id);
        if (traces === undefined) return;
        this.#unabsorbed.delete(id);
        const urls = fresh.map((item) => rows.urlOf(item));
        families.settled(rows.urlOf(id), urls, traces);
    }

    /** Asks for a URL, unless it is left; nothing is added of one that a stop kept from being read. */
    async #read(
        id: number,
        url: string,
        orderRead: number,
        left: 'action' | 'trap' | null,
    ): Promise<ReadUrl & { wasAsked: boolean }> {
        const { rows, robots, reader, settings, sitemapAnswers, end } = this.#parts;
        const verdict = await robots.verdict(url);
        const judged = { robotsAllowed: verdict.allowed, robotsRule: writeProblem(verdict.rule, LONGEST_RULE) };
        const unread = (why: Partial<PageRow>): ReadUrl & { wasAsked: boolean } => {
            const page = { ...unreadPage(id), ...why, ...judged };
            // The frontier keeps what was stopped as open: it is known, and was not read.
            if (page.notRead !== 'stopped') rows.addPage(page);
            return { page, links: [], traces: null, wasAsked: false };
        };
        if (!verdict.allowed && end.signal.aborted) return unread({ notRead: 'stopped' });
        if (!verdict.allowed && settings.robots === 'obey') {
            // A host that does not even answer for its robots.txt is told as such, not as closed by a rule.
            const { noAnswer } = verdict;
            return unread(
                noAnswer ? { notRead: noAnswer.code, failure: writeProblem(noAnswer.problem) } : { notRead: 'robots' },
            );
        }
        if (left !== null) return unread({ notRead: left });
        const read = await reader.read(id, url, { orderRead, ...judged }, sitemapAnswers.get(id) ?? undefined);
        return { ...read, wasAsked: true };
    }
}

/** Characters kept of a rule's pattern. */
export const LONGEST_RULE = 2_000;
