/** Why the head of an answer cannot be read, from what the parser of answers tells of it. */
import type { BrokenHead } from '../../core/problems/problem.ts';

const BY_CODE: Record<string, BrokenHead> = {
    UND_ERR_HEADERS_OVERFLOW: 'too-large',
    // A status below 100 trips the library itself.
    ERR_ASSERTION: 'status-below-100',
    // Before the head is there this says only that the head broke off behind a Content-Length.
    UND_ERR_RES_CONTENT_LENGTH_MISMATCH: 'contradiction',
};

/**
 * The reasons of llhttp, which has codes for them that the library does not hand on: its words are all there is. The
 * first that fits; RFC 9112 says what each means.
 */
const BY_REASON: readonly [RegExp, BrokenHead][] = [
    [/content-length/i, 'content-length'],
    [/header (?:value|token)|header/i, 'header'],
    [/status/i, 'status'],
    [/version/i, 'version'],
    [/expected http/i, 'start'],
    [/\b(?:cr|lf)\b/i, 'line-end'],
    [/chunk/i, 'chunk'],
];

/** @returns null for a failure of another kind */
export function brokenHead(code: string, reason: string): BrokenHead | null {
    const known = BY_CODE[code];
    if (known !== undefined) return known;
    if (!/^HTTPParserError|^HPE_|UND_ERR_RES|Z_/.test(code)) return null;
    // eslint-disable-next-line no-restricted-syntax
    return BY_REASON.find(([said]) => said.test(reason))?.[1] ?? 'other';
}
