/** Words for how a survey went: why it is partial, and why URLs were left. */
import type { CutReason, NotRead } from '../survey/survey-rows.ts';

/** Why a survey is partial, as a clause. */
export const CUT_CLAUSES: Record<CutReason, string> = {
    'max-pages': 'the page limit was reached',
    'max-depth': 'the depth limit was reached',
    'max-minutes': 'the time was over',
    stopped: 'it was stopped',
    failed: 'the start page could not be surveyed',
    spot: 'it read some pages only',
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
