/** Words for how a survey went: why it is partial, why URLs were left, and why families of URLs are closed. */
import type { CutReason, NotRead } from '../survey/survey-rows.ts';
import type { FamilyReason } from '../traps/families.ts';

/** Why a survey is partial, as a clause. */
export const CUT_CLAUSES: Record<CutReason, string> = {
    'max-pages': 'the page limit was reached',
    'max-depth': 'the depth limit was reached',
    'max-minutes': 'the time was over',
    stopped: 'it was stopped',
    failed: 'the start page could not be surveyed',
    spot: 'it read some pages only',
};

/** The same as a thing: what it is partial because of. */
export const CUT_NAMES: Record<CutReason, string> = {
    'max-pages': 'the page limit',
    'max-depth': 'the depth limit',
    'max-minutes': 'the time limit',
    stopped: 'a stop',
    failed: 'a failure',
    spot: 'being a spot survey',
};

/** Why URLs were not read, after their number. */
const LEFT_WORDS: Record<NotRead, string> = {
    robots: 'closed by robots.txt',
    trap: 'in closed families',
    action: 'look like actions',
    limit: 'beyond a limit',
    stopped: 'left when it was stopped',
    later: 'known only since then',
    'no-such-host': 'no such host',
    refused: 'connection refused',
    timeout: 'no answer in time',
    tls: 'TLS failed',
    lost: 'connection lost',
    private: 'private address',
    'broken-reply': 'answer not readable',
};

export function leftWords(reason: string): string {
    return reason in LEFT_WORDS ? LEFT_WORDS[reason as NotRead] : reason;
}

const CLOSED_CLAUSES: Record<FamilyReason, string> = {
    combinations: 'parameters combine without end',
    counter: 'counts on without end, and leads to nothing else',
    repeat: 'its path goes round',
    session: 'a session in the URL',
    'near-doubles': 'its pages are nearly the same',
    'nothing-new': 'its pages hold nothing of their own and lead nowhere else',
    number: 'not understood, closed by number: it grows on, and no sitemap lists it',
    hand: 'closed by hand',
};

/** Why a family of URLs is closed, as a clause. @param reason as a survey of any version names it */
export function closedClause(reason: string): string {
    return reason in CLOSED_CLAUSES ? CLOSED_CLAUSES[reason as FamilyReason] : reason;
}
