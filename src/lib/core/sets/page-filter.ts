/**
 * The current set, in its first and smallest form: a text, and the narrowings that the numbers on the screens stand
 * for. Each narrowing is one field; all must hold.
 */
import { originOf, pathOf } from '../address/address.ts';
import { sectionOf } from '../address/section.ts';
import { orphanKinds, type OrphanKinds } from '../evidence/orphans.ts';
import { evidenceBit, EVIDENCE, type Evidence } from '../evidence/evidence.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { isReadHtml, ORPHAN, type MeasuredSurvey } from '../survey/measured-survey.ts';
import { PAGE_COLUMNS, pageRecord, type PageColumn } from '../survey/page-record.ts';

const ORPHAN_FILTERS = ['any', 'strict', 'adrift', 'island', 'listing', 'decline'] as const;
type OrphanFilter = (typeof ORPHAN_FILTERS)[number];

export interface PageFilter {
    /** Part of the address or the title, any case. */
    text?: string;
    /** That depth, or `none` for unreached. */
    depth?: number | 'none';
    /** Where it stops; `indexable` for what passes all, `stopped` for any gate, `unknown` for what cannot be told. */
    gate?: Gate | 'indexable' | 'stopped' | 'unknown';
    /** `island`: in a group of orphans; `listing`, `decline`: reached, but by listings or nofollow links only. */
    orphan?: OrphanFilter;
    /** In that section. */
    section?: string;
    /** Of that origin. */
    origin?: string;
    /** In that folder or below: a URL that ends with a slash. */
    folder?: string;
    /** Its path begins so, on whatever host. */
    path?: string;
    /** Listed by that sitemap. */
    sitemap?: string;
    /** Has a depth. */
    reached?: true;
    /** Known by exactly this evidence. */
    evidence?: Evidence[];
    /** Known by this evidence, whatever else. */
    known?: Evidence;
    /** Not known by this evidence. */
    unknown?: Evidence;
    /** Read pages (200, HTML) only, or what has no status. */
    read?: 'pages' | 'unread';
    /** Why it was not read. */
    reason?: string;
}

/** Narrowings by where a URL lies or is listed: plain texts. */
const PLACES = ['section', 'origin', 'folder', 'path', 'sitemap'] as const;

export const FILTER_GATES: readonly string[] = [...GATES, 'indexable', 'stopped', 'unknown'];

/** Nodes that are in the set, ascending. O(nodes). */
export function filterPages(survey: MeasuredSurvey, filter: PageFilter): number[] {
    const text = filter.text?.toLowerCase() ?? '';
    const mask = filter.evidence?.reduce((bits, name) => bits | evidenceBit(name), 0);
    const members = membersOf(survey, filter.orphan);
    const listed = filter.sitemap === undefined ? null : listedBy(survey, filter.sitemap);
    const found: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        const page = survey.pages[node] ?? null;
        const depth = survey.depths.depth[node]!;
        if (filter.depth !== undefined && depth !== (filter.depth === 'none' ? UNREACHED : filter.depth)) continue;
        if (filter.gate !== undefined && !isAtGate(survey.gates[node]!.gate, filter.gate)) continue;
        if (filter.reached && depth === UNREACHED) continue;
        if (filter.orphan !== undefined && !isOfKind(survey, node, filter.orphan, members)) continue;
        if (filter.section !== undefined && sectionOf(survey.urls[node]!) !== filter.section) continue;
        if (filter.origin !== undefined && originOf(survey.urls[node]!) !== filter.origin) continue;
        if (filter.folder !== undefined && !survey.urls[node]!.startsWith(filter.folder)) continue;
        if (filter.path !== undefined && !pathOf(survey.urls[node]!).startsWith(filter.path)) continue;
        if (listed && !listed.has(survey.addressOf[node]!)) continue;
        if (mask !== undefined && survey.evidence[node] !== mask) continue;
        if (filter.known !== undefined && !(survey.evidence[node]! & evidenceBit(filter.known))) continue;
        if (filter.unknown !== undefined && survey.evidence[node]! & evidenceBit(filter.unknown)) continue;
        if (filter.read === 'pages' && !isReadHtml(page)) continue;
        if (filter.read === 'unread' && page?.status != null) continue;
        if (filter.reason !== undefined && page?.notRead !== filter.reason) continue;
        if (
            text !== '' &&
            !survey.urls[node]!.toLowerCase().includes(text) &&
            !(page?.title.toLowerCase().includes(text) ?? false)
        ) {
            continue;
        }
        found.push(node);
    }
    return found;
}

function isAtGate(gate: Gate | 'indexable' | null, wanted: NonNullable<PageFilter['gate']>): boolean {
    if (wanted === 'stopped') return gate !== null && gate !== 'indexable';
    return (gate ?? 'unknown') === wanted;
}

/** Kinds of orphans take a walk over all links: made once for a survey. */
const kindsOf = new WeakMap<MeasuredSurvey, OrphanKinds>();

/** Nodes of a kind that is no column; null for the others. */
function membersOf(survey: MeasuredSurvey, orphan: OrphanFilter | undefined): ReadonlySet<number> | null {
    if (orphan !== 'island' && orphan !== 'listing' && orphan !== 'decline') return null;
    let kinds = kindsOf.get(survey);
    if (!kinds) kindsOf.set(survey, (kinds = orphanKinds(survey)));
    if (orphan === 'island') return new Set(kinds.islands.flat());
    return new Set(orphan === 'listing' ? kinds.listingOnly : kinds.declineOnly);
}

function isOfKind(
    survey: MeasuredSurvey,
    node: number,
    orphan: OrphanFilter,
    members: ReadonlySet<number> | null,
): boolean {
    if (members) return members.has(node);
    const kind = survey.orphan[node];
    if (orphan === 'strict') return kind === ORPHAN.strict;
    if (orphan === 'adrift') return kind === ORPHAN.adrift;
    return kind === ORPHAN.strict || kind === ORPHAN.adrift;
}

function listedBy(survey: MeasuredSurvey, sitemap: string): ReadonlySet<number> {
    const listed = new Set<number>();
    for (const row of survey.rows.evidence) {
        if (row.evidence === 'sitemap' && row.source === sitemap) listed.add(row.address);
    }
    return listed;
}

export interface PageOrder {
    column: PageColumn;
    descending: boolean;
}

/** Puts nodes in an order; what is not known comes last either way, ties stay in the order of addresses. */
export function orderPages(survey: MeasuredSurvey, nodes: number[], order: PageOrder): number[] {
    if (order.column === 'url') return order.descending ? [...nodes].reverse() : nodes;
    const keys = new Map(nodes.map((node) => [node, pageRecord(survey, node)[order.column]]));
    const sign = order.descending ? -1 : 1;
    const isUnknown = (value: unknown): boolean => value === null || value === '';
    return [...nodes].sort((a, b) => {
        const x = keys.get(a) ?? null;
        const y = keys.get(b) ?? null;
        if (isUnknown(x) || isUnknown(y)) return Number(isUnknown(x)) - Number(isUnknown(y)) || a - b;
        if (x === y) return a - b;
        return (x! < y! ? -1 : 1) * sign;
    });
}

/** The filter as URL parameters, and back; anything that is no filter is left out. */
export function filterToParams(filter: PageFilter): [string, string][] {
    const params: [string, string][] = [];
    if (filter.text) params.push(['q', filter.text]);
    if (filter.depth !== undefined) params.push(['depth', String(filter.depth)]);
    if (filter.gate !== undefined) params.push(['gate', filter.gate]);
    if (filter.orphan !== undefined) params.push(['orphan', filter.orphan]);
    if (filter.reached) params.push(['reached', 'yes']);
    if (filter.evidence !== undefined) params.push(['evidence', filter.evidence.join('+')]);
    if (filter.known !== undefined) params.push(['known', filter.known]);
    if (filter.unknown !== undefined) params.push(['unknown', filter.unknown]);
    if (filter.read !== undefined) params.push(['read', filter.read]);
    if (filter.reason !== undefined) params.push(['reason', filter.reason]);
    for (const name of PLACES) {
        const value = filter[name];
        if (value !== undefined) params.push([name, value]);
    }
    return params;
}

export function filterFromParams(params: { get(name: string): string | null }): PageFilter {
    const filter: PageFilter = {};
    const text = params.get('q')?.trim().slice(0, 500);
    if (text) filter.text = text;
    const depth = params.get('depth');
    if (depth === 'none') filter.depth = 'none';
    else if (depth !== null && /^\d{1,6}$/.test(depth)) filter.depth = Number(depth);
    const gate = params.get('gate');
    if (gate !== null && FILTER_GATES.includes(gate)) filter.gate = gate as PageFilter['gate'];
    const orphan = params.get('orphan');
    const kind = ORPHAN_FILTERS.find((name) => name === orphan);
    if (kind !== undefined) filter.orphan = kind;
    for (const name of PLACES) {
        const value = params.get(name);
        if (value) filter[name] = value.slice(0, 4_096);
    }
    if (params.get('reached') === 'yes') filter.reached = true;
    const isEvidence = (name: string): name is Evidence => (EVIDENCE as readonly string[]).includes(name);
    const evidence = params.get('evidence')?.split(/[+ ]/);
    if (evidence?.every(isEvidence)) filter.evidence = evidence;
    const known = params.get('known');
    if (known !== null && isEvidence(known)) filter.known = known;
    const unknown = params.get('unknown');
    if (unknown !== null && isEvidence(unknown)) filter.unknown = unknown;
    const read = params.get('read');
    if (read === 'pages' || read === 'unread') filter.read = read;
    const reason = params.get('reason');
    if (reason) filter.reason = reason.slice(0, 20);
    return filter;
}

export function orderFromParams(params: { get(name: string): string | null }): PageOrder {
    const [column = '', direction] = (params.get('order') ?? '').split('.');
    return (PAGE_COLUMNS as readonly string[]).includes(column)
        ? { column: column as PageColumn, descending: direction === 'desc' }
        : { column: 'url', descending: false };
}

/** A narrowing in words, for the set bar: field, relation, value, and the parameter that removes it. */
export interface FilterWord {
    param: string;
    field: string;
    relation: string;
    value: string;
}

export function filterWords(filter: PageFilter): FilterWord[] {
    const words: FilterWord[] = [];
    const add = (param: string, field: string, relation: string, value: string): void => {
        words.push({ param, field, relation, value });
    };
    if (filter.read === 'pages') add('read', 'pages', 'are', 'read');
    if (filter.read === 'unread') add('read', 'pages', 'are', 'not read');
    if (filter.reason !== undefined) add('reason', 'not read', 'because', filter.reason);
    if (filter.reached) add('reached', 'reached', 'by', 'links');
    if (filter.depth !== undefined) add('depth', 'depth', 'is', String(filter.depth));
    if (filter.gate !== undefined) {
        add(
            'gate',
            'gate',
            filter.gate === 'indexable' ? 'passes' : 'stops at',
            filter.gate === 'indexable' ? 'all' : filter.gate === 'stopped' ? 'any' : filter.gate,
        );
    }
    if (filter.orphan === 'listing') add('orphan', 'reached', 'by', 'listings only');
    else if (filter.orphan === 'decline') add('orphan', 'reached', 'by', 'nofollow links only');
    else if (filter.orphan === 'island') add('orphan', 'orphan', 'is in', 'an island');
    else if (filter.orphan !== undefined) add('orphan', 'orphan', 'is', filter.orphan);
    if (filter.section !== undefined) add('section', 'section', 'is', filter.section);
    if (filter.origin !== undefined) add('origin', 'host', 'is', filter.origin);
    if (filter.folder !== undefined) add('folder', 'folder', 'is', filter.folder);
    if (filter.path !== undefined) add('path', 'path', 'begins', filter.path);
    if (filter.sitemap !== undefined) add('sitemap', 'sitemap', 'is', filter.sitemap);
    if (filter.unknown !== undefined) add('unknown', 'not known', 'by', filter.unknown);
    if (filter.evidence !== undefined) add('evidence', 'evidence', 'is', filter.evidence.join(' + '));
    if (filter.known !== undefined) add('known', 'evidence', 'has', filter.known);
    return words;
}
