/** The sets that numbers on the screens stand for, as lines of the set language: what is not said narrows nothing. */
import type { Evidence } from '../evidence/evidence.ts';
import type { Gate } from '../gates/gates.ts';
import { quoted } from './tokens.ts';

export interface PageFilter {
    /** Part of the address or the title, any case. */
    text?: string;
    /** That depth, or `none` for unreached. */
    depth?: number | 'none';
    /** Where it stops; `indexable` for what passes all, `stopped` for any gate, `unknown` for what cannot be told. */
    gate?: Gate | 'indexable' | 'stopped' | 'unknown';
    orphan?: 'any' | 'strict' | 'adrift' | 'island' | 'listing' | 'decline';
    section?: string;
    origin?: string;
    /** In that folder or below: a URL that ends with a slash. */
    folder?: string;
    /** Its path begins so, on whatever host. */
    path?: string;
    /** Listed by that sitemap. */
    sitemap?: string;
    /** Has a depth. */
    reached?: boolean;
    /** Known by exactly this evidence. */
    evidence?: readonly string[];
    /** Known by this evidence, whatever else. */
    known?: Evidence;
    /** Not known by this evidence. */
    unknown?: Evidence;
    /** Read pages (200, HTML) only, or what has no status. */
    read?: 'pages' | 'unread';
    /** Why it was not read. */
    reason?: string;
}

const ORPHANS = {
    any: 'orphan',
    strict: 'strict orphan',
    adrift: 'adrift',
    island: 'in an island',
    listing: 'listing only',
    decline: 'decline only',
} as const;

/** The filter as a line of the set language; empty for all pages. */
export function setLine(filter: PageFilter): string {
    const parts: string[] = [];
    if (filter.read === 'pages') parts.push('page');
    if (filter.read === 'unread') parts.push('not read');
    if (filter.reason !== undefined) parts.push(`reason is ${quoted(filter.reason)}`);
    if (filter.reached) parts.push('reached');
    if (filter.depth !== undefined) parts.push(filter.depth === 'none' ? 'not reached' : `depth = ${filter.depth}`);
    if (filter.gate === 'indexable' || filter.gate === 'stopped') parts.push(filter.gate);
    else if (filter.gate !== undefined) parts.push(`gate is ${filter.gate}`);
    if (filter.orphan !== undefined) parts.push(ORPHANS[filter.orphan]);
    if (filter.section !== undefined) parts.push(`section is ${quoted(filter.section)}`);
    if (filter.origin !== undefined) parts.push(`origin is ${quoted(filter.origin)}`);
    if (filter.folder !== undefined) parts.push(`url begins ${quoted(filter.folder, true)}`);
    if (filter.path !== undefined) parts.push(`path begins ${quoted(filter.path, true)}`);
    if (filter.sitemap !== undefined) parts.push(`sitemap is ${quoted(filter.sitemap, true)}`);
    if (filter.evidence !== undefined) parts.push(`evidence is ${quoted(filter.evidence.join(' '), true)}`);
    if (filter.known !== undefined) parts.push(`known from ${filter.known}`);
    if (filter.unknown !== undefined) parts.push(`not known from ${filter.unknown}`);
    if (filter.text !== undefined && filter.text !== '') parts.push(quoted(filter.text, true));
    return parts.join(' and ');
}

/** A line as the parameter of an address. */
export function setQuery(line: string): string {
    return line === '' ? '' : `?${new URLSearchParams({ set: line })}`;
}
