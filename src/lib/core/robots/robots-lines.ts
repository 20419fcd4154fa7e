/** The lines of a robots.txt, each with what it is: what RFC 9309 knows, what is usual beside it, and what nobody reads. */

export type RobotsLineKind =
    | 'blank'
    | 'comment'
    /** Begins or goes on with a group. */
    | 'agent'
    /** Allow or Disallow with a pattern, in a group. */
    | 'rule'
    /** Allow or Disallow without a pattern: it says nothing. */
    | 'empty'
    /** A rule before any User-agent line: it belongs to nobody. */
    | 'stray'
    | 'sitemap'
    /** Usual, and in no standard: some agents keep to it. */
    | 'extra'
    /** Noindex and the like, which no standard knows and nobody keeps to. */
    | 'directive'
    /** A line that no parser takes. */
    | 'unread';

export interface RobotsLine {
    /** From 1. */
    line: number;
    /** As written. */
    text: string;
    kind: RobotsLineKind;
    /** What stands before the colon, in lower case; empty where there is none. */
    key: string;
    /** What stands after it, without comment and blanks. */
    value: string;
    /** Number of the group it stands in, from 0; -1 for none. */
    group: number;
}

const EXTRAS = new Set(['crawl-delay', 'host', 'clean-param', 'request-rate', 'visit-time']);
const DIRECTIVES = new Set(['noindex', 'nofollow', 'noarchive', 'nosnippet']);

/** A product token as a User-agent line names it: lower case, up to what is none of its characters (RFC 9309 2.2.1). */
export function productToken(value: string): string {
    return value === '*' ? '*' : (/^[a-z_-]+/i.exec(value)?.[0] ?? '').toLowerCase();
}

/** @param text the file, decoded */
export function robotsLines(text: string): RobotsLine[] {
    let group = -1;
    /** The group has rules: the next User-agent line begins another. */
    let hasRules = true;
    return text.split(/\r\n|\r|\n/).map((written, index) => {
        const record = (written.split('#', 1)[0] ?? '').trim();
        const colon = record.indexOf(':');
        const key = colon === -1 ? '' : record.slice(0, colon).trim().toLowerCase();
        const value = colon === -1 ? '' : record.slice(colon + 1).trim();
        const kind = kindOf(record, key, value, group, written.includes('#'));
        if (kind === 'agent') {
            if (hasRules) group++;
            hasRules = false;
        } else if (key === 'allow' || key === 'disallow') hasRules = true;
        return { line: index + 1, text: written, kind, key, value, group };
    });
}

function kindOf(record: string, key: string, value: string, group: number, isComment: boolean): RobotsLineKind {
    if (record === '') return isComment ? 'comment' : 'blank';
    if (key === 'user-agent') return 'agent';
    if (key === 'allow' || key === 'disallow') {
        if (group === -1) return 'stray';
        return value === '' ? 'empty' : 'rule';
    }
    if (key === 'sitemap') return value === '' ? 'empty' : 'sitemap';
    if (EXTRAS.has(key)) return 'extra';
    return DIRECTIVES.has(key) ? 'directive' : 'unread';
}
