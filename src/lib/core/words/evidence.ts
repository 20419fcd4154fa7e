/** Words for lists of evidence: which of their lines cannot be read, and why. */
import type { LineFault } from '../evidence/line-fault.ts';

const LINE_FAULTS: Record<LineFault, string> = {
    'line-too-long': 'longer than 64 KiB',
    'no-time': 'no time in brackets, as [10/Oct/2026:13:55:36 +0200]',
    'bad-time': 'the time in brackets is none',
    'no-request': 'no request in quotes after the time',
    'request-open': 'the request in quotes has no end',
    'no-target': 'the request names no target',
    'no-status': 'no status after the request',
    'no-address': 'no address in its column',
    'bad-address': 'no address that can be used',
    'no-source': 'no page that links',
    'bad-source': 'the page that links is no address that can be used',
    'quote-open': 'a quotation mark opens a cell that never ends',
    'quote-inside': 'a quotation mark stands within a cell and is not doubled',
    'row-too-long': 'longer than a row may be',
    'row-broken': 'it is no row of a table',
};

/** Why a line cannot be read, as a clause. @param why as stored; earlier versions kept the words */
export function lineFaultWords(why: string): string {
    return Object.hasOwn(LINE_FAULTS, why) ? LINE_FAULTS[why as LineFault] : why;
}
