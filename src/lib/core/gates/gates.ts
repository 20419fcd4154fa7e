/**
 * The seven gates a URL must pass to be indexable, in their order. Each gate answers with its reason, so that no
 * verdict stands without one; all failed gates are kept, the first one is where the URL stops.
 */
import { problem, readProblem, type Problem, type ProblemText } from '../problems/problem.ts';

export const GATES = ['scope', 'robots', 'response', 'redirect', 'type', 'noindex', 'canonical'] as const;
export type Gate = (typeof GATES)[number];

/** What the gates look at. Unknown is null: a page that was not read has no status. */
export interface GateFacts {
    url: string;
    internal: boolean;
    /** Verdict of robots.txt for our agent; null when it was never asked. */
    robotsAllowed: boolean | null;
    /** The deciding rule; empty when there is none. */
    robotsRule: ProblemText;
    status: number | null;
    /** The URL was asked for and gave no answer that could be read: why. */
    failure: ProblemText;
    /** Location of a redirect as resolved; empty when there is none that can be used. */
    redirectTo: string;
    /** Target of a refresh without delay to another page; empty when none. */
    instantRefresh: string;
    /** Media type after sniffing, lower case, without parameters. */
    contentType: string;
    noindex: boolean;
    noindexReason: ProblemText;
    /** Distinct declared canonical targets. */
    canonicals: string[];
}

export interface GateResult {
    /** The gate it stops at; `indexable` when it passes all; null when that cannot be known. */
    gate: Gate | 'indexable' | null;
    /** Why it stops there; null when it does not. */
    reason: Problem | null;
    /** Every gate it fails, in order, as far as known. */
    failed: { gate: Gate; reason: Problem | null }[];
}

const REDIRECT_STATUS = new Set([301, 302, 303, 307, 308]);
const HTML_TYPES = new Set(['text/html', 'application/xhtml+xml']);

export function isRedirectStatus(status: number): boolean {
    return REDIRECT_STATUS.has(status);
}

export function isHtmlType(contentType: string): boolean {
    return HTML_TYPES.has(contentType);
}

/** The accepted canonical (RFC 6596): exactly one distinct target; several different ones void each other. */
export function acceptedCanonical(canonicals: string[]): string | null {
    return canonicals.length === 1 ? (canonicals[0] ?? null) : null;
}

/** Puts one URL through the gates. */
export function passGates(facts: GateFacts): GateResult {
    const failed: GateResult['failed'] = [];
    const fail = (gate: Gate, reason: Problem | null): void => {
        failed.push({ gate, reason });
    };
    const { status } = facts;
    if (!facts.internal) fail('scope', problem('not-of-the-site', {}));
    if (facts.robotsAllowed === false) fail('robots', readProblem(facts.robotsRule));
    const answered = status !== null;
    if (facts.failure !== '') fail('response', readProblem(facts.failure));
    if (answered) {
        if (REDIRECT_STATUS.has(status)) {
            if (facts.redirectTo === '') fail('response', problem('no-location', { status }));
            else fail('redirect', problem('redirects', { status, to: facts.redirectTo }));
        } else if (status !== 200) fail('response', problem('status', { status }));
        else {
            if (facts.instantRefresh !== '') fail('redirect', problem('refreshes', { to: facts.instantRefresh }));
            if (!HTML_TYPES.has(facts.contentType)) fail('type', problem('type', { type: facts.contentType }));
            if (facts.noindex) fail('noindex', readProblem(facts.noindexReason));
            const canonical = acceptedCanonical(facts.canonicals);
            if (canonical !== null && canonical !== facts.url)
                fail('canonical', problem('canonical-elsewhere', { to: canonical }));
        }
    }
    const first = failed[0];
    if (first) return { gate: first.gate, reason: first.reason, failed };
    if (!answered || facts.robotsAllowed === null) return { gate: null, reason: null, failed };
    return { gate: 'indexable', reason: null, failed };
}
