/**
 * The seven gates a URL must pass to be indexable, in their order. Each gate answers with its reason, so that no
 * verdict stands without one; all failed gates are kept, the first one is where the URL stops.
 */
export const GATES = ['scope', 'robots', 'response', 'redirect', 'type', 'noindex', 'canonical'] as const;
export type Gate = (typeof GATES)[number];

/** What the gates look at. Unknown is null: a page that was not read has no status. */
export interface GateFacts {
    url: string;
    internal: boolean;
    /** Verdict of robots.txt for our agent; null when it was never asked. */
    robotsAllowed: boolean | null;
    /** The deciding rule as quoted, with its file and line; empty when there is none. */
    robotsRule: string;
    status: number | null;
    /** The URL was asked for and gave no answer: why, as a sentence part. */
    failure: string;
    /** Location of a redirect as resolved; empty when there is none that can be used. */
    redirectTo: string;
    /** Target of a refresh without delay to another page; empty when none. */
    instantRefresh: string;
    /** Media type after sniffing, lower case, without parameters. */
    mediaType: string;
    noindex: boolean;
    noindexReason: string;
    /** Distinct declared canonical targets. */
    canonicals: string[];
}

export interface GateResult {
    /** The gate it stops at; `indexable` when it passes all; null when that cannot be known. */
    gate: Gate | 'indexable' | null;
    /** Why it stops there; empty when it does not. */
    reason: string;
    /** Every gate it fails, in order, as far as known. */
    failed: { gate: Gate; reason: string }[];
}

const REDIRECT_STATUS = new Set([301, 302, 303, 307, 308]);
const HTML_TYPES = new Set(['text/html', 'application/xhtml+xml']);

export function isRedirectStatus(status: number): boolean {
    return REDIRECT_STATUS.has(status);
}

export function isHtmlType(mediaType: string): boolean {
    return HTML_TYPES.has(mediaType);
}

/** The accepted canonical (RFC 6596): exactly one distinct target; several different ones void each other. */
export function acceptedCanonical(canonicals: string[]): string | null {
    return canonicals.length === 1 ? (canonicals[0] ?? null) : null;
}

/** Puts one URL through the gates. */
export function passGates(facts: GateFacts): GateResult {
    const failed: GateResult['failed'] = [];
    const fail = (gate: Gate, reason: string): void => {
        failed.push({ gate, reason });
    };
    const { status } = facts;
    if (!facts.internal) fail('scope', 'does not belong to the site');
    if (facts.robotsAllowed === false) fail('robots', facts.robotsRule);
    const answered = status !== null;
    if (facts.failure !== '') fail('response', facts.failure);
    if (answered) {
        if (REDIRECT_STATUS.has(status)) {
            if (facts.redirectTo === '') fail('response', `status ${status} without a usable Location`);
            else fail('redirect', `${status} to ${facts.redirectTo}`);
        } else if (status !== 200) fail('response', `status ${status}`);
        else {
            if (facts.instantRefresh !== '') fail('redirect', `refresh without delay to ${facts.instantRefresh}`);
            if (!HTML_TYPES.has(facts.mediaType))
                fail('type', facts.mediaType === '' ? 'no content type' : facts.mediaType);
            if (facts.noindex) fail('noindex', facts.noindexReason);
            const canonical = acceptedCanonical(facts.canonicals);
            if (canonical !== null && canonical !== facts.url) fail('canonical', `points at ${canonical}`);
        }
    }
    const first = failed[0];
    if (first) return { gate: first.gate, reason: first.reason, failed };
    if (!answered || facts.robotsAllowed === null) return { gate: null, reason: '', failed };
    return { gate: 'indexable', reason: '', failed };
}
