/** The Links table: links that come from, or lead to, the pages of a set; one row for each occurrence. */
import { isFollowed, LINK_KINDS, REGIONS, type LinkKind, type Region } from '../page/links.ts';
import { linkGraphOf, type LinkGraph } from '../packed/link-graph.ts';
import { TO_SELF, type PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from './bits.ts';
import { once, type Value } from './fields.ts';

export const LINK_SIDES = ['from', 'to'] as const;
export type LinkSide = (typeof LINK_SIDES)[number];

/** Columns of the Links table, in the order of `links.csv` as far as that has them. */
export const LINK_TABLE_COLUMNS = [
    'source',
    'target',
    'anchor',
    'name',
    'region',
    'rel',
    'kind',
    'followed',
    'line',
    'block',
    'internal',
    'target_status',
    'fragment',
    'href',
    'column',
    'template',
    'source_depth',
    'source_standing',
    'target_depth',
    'target_standing',
] as const;
export type LinkTableColumn = (typeof LINK_TABLE_COLUMNS)[number];

/** Columns that stand in the rows of a page's markup only: known for the rows shown, not to order by. */
export const MARKUP_COLUMNS: readonly LinkTableColumn[] = ['line', 'href', 'column'];

export interface LinkQuery {
    side: LinkSide;
    /** Only that kind; all kinds when left out. */
    kind?: LinkKind;
    region?: Region;
    followed?: boolean;
}

/** Links as three columns: the page, its block (an index of `page_block`), the link in the block's list. */
export interface LinkRows {
    source: Uint32Array;
    pageBlock: Uint32Array;
    link: Uint32Array;
}

/**
 * Links from pages of the set, or to them, page by page in the order of URLs, as they stand on each page. Links of pages
 * that did not answer 200 are among them: they are kept, and count for nothing. O(link occurrences).
 */
export function linkRows(survey: PackedSurvey, set: Bits, query: LinkQuery): LinkRows {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockRegion, listStart, target, kind, follow, nofollow } = graph;
    const { count } = survey;
    const wantedKind = query.kind === undefined ? -1 : LINK_KINDS.indexOf(query.kind);
    const wantedRegion = query.region === undefined ? -1 : REGIONS.indexOf(query.region);
    const isFrom = query.side === 'from';
    // Each list once: how many of its links are wanted, a link to the carrying page itself apart.
    const fits = new Uint8Array(target.length);
    const perList = new Uint32Array(listStart.length - 1);
    for (let list = 0; list < perList.length; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (wantedKind !== -1 && kind[link] !== wantedKind) continue;
            if (query.followed && follow[link] === 0) continue;
            const to = target[link]!;
            if (!isFrom && to !== TO_SELF && !(to >= 0 && to < count && set.has(to))) continue;
            fits[link] = 1;
            perList[list]!++;
        }
    }
    let most = 0;
    const isWanted = (node: number): boolean =>
        (isFrom ? set.has(node) : true) && !(query.followed && nofollow[node] === 1);
    for (let node = 0; node < count; node++) {
        if (!isWanted(node)) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) most += perList[blockList[pageBlocks[at]!]!]!;
    }
    const rows: LinkRows = {
        source: new Uint32Array(most),
        pageBlock: new Uint32Array(most),
        link: new Uint32Array(most),
    };
    let length = 0;
    for (let node = 0; node < count; node++) {
        if (!isWanted(node)) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const list = blockList[block]!;
            if (perList[list] === 0 || (wantedRegion !== -1 && blockRegion[block] !== wantedRegion)) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (fits[link] === 0) continue;
                // A canonical to the page itself leads to the set when the page is in it.
                if (!isFrom && target[link] === TO_SELF && !set.has(node)) continue;
                rows.source[length] = node;
                rows.pageBlock[length] = at;
                rows.link[length++] = link;
            }
        }
    }
    return {
        source: rows.source.subarray(0, length),
        pageBlock: rows.pageBlock.subarray(0, length),
        link: rows.link.subarray(0, length),
    };
}

/** Value of a column at a row; columns of the markup are null here. */
export function linkValue(survey: PackedSurvey, rows: LinkRows, row: number, column: LinkTableColumn): Value {
    const graph = linkGraphOf(survey);
    return valueOf(survey, graph, rows.source[row]!, rows.pageBlock[row]!, rows.link[row]!, column);
}

function valueOf(
    survey: PackedSurvey,
    graph: LinkGraph,
    source: number,
    pageBlock: number,
    link: number,
    column: LinkTableColumn,
): Value {
    const block = graph.pageBlocks[pageBlock]!;
    const pointed = graph.target[link]!;
    const target = pointed === TO_SELF ? source : pointed;
    const word = (name: string): string => survey.texts(`${name}_words`).at(survey.numbers(name)[link]!);
    const isPage = target >= 0 && target < survey.count;
    const other = target - survey.count;
    const standing = (node: number): Value => {
        const value = survey.numbers('standing')[node]!;
        return Number.isNaN(value) ? null : value;
    };
    const depth = (node: number): Value => {
        const value = survey.numbers('depth')[node]!;
        return value === -1 ? null : value;
    };
    switch (column) {
        case 'source':
            return survey.url(source);
        case 'target':
            return target < 0 ? word('link_text') : survey.addressUrl(target);
        case 'anchor':
            return word('link_anchor');
        case 'name':
            return word('link_name');
        case 'rel':
            return word('link_rel');
        case 'fragment':
            return word('link_fragment');
        case 'region':
            return REGIONS[graph.blockRegion[block]!] ?? 'other';
        case 'kind':
            return LINK_KINDS[graph.kind[link]!] ?? 'other';
        case 'followed':
            return isFollowed(word('link_rel'), graph.nofollow[source] === 1);
        case 'block':
            return survey.texts('block_name').at(block);
        case 'template':
            return survey.head.templates[graph.blockTemplate[block]!]?.name ?? '';
        case 'internal':
            return isPage || (target >= 0 && survey.numbers('other_internal')[other] === 1);
        case 'target_status':
            if (target < 0) return null;
            return (isPage ? survey.numbers('status')[target]! : survey.numbers('other_status')[other]!) || null;
        case 'source_depth':
            return depth(source);
        case 'source_standing':
            return standing(source);
        case 'target_depth':
            return isPage ? depth(target) : null;
        case 'target_standing':
            return isPage ? standing(target) : null;
        case 'line':
        case 'href':
        case 'column':
            return null;
    }
}

/** What the order by a column depends on: values are compared once for each of these, not for each occurrence. */
const DEPENDS: Partial<Record<LinkTableColumn, 'source' | 'block' | 'link'>> = {
    source: 'source',
    source_depth: 'source',
    source_standing: 'source',
    region: 'block',
    block: 'block',
    template: 'block',
};

/**
 * Rows in the order of a column, as row numbers; what is not known comes last either way, ties stay as they were.
 * O(rows + values log values).
 */
export function orderLinks(
    survey: PackedSurvey,
    rows: LinkRows,
    column: LinkTableColumn,
    descending: boolean,
): Uint32Array {
    const count = rows.link.length;
    const numbers = new Uint32Array(count);
    for (let row = 0; row < count; row++) numbers[row] = row;
    if (MARKUP_COLUMNS.includes(column)) return numbers;
    const graph = linkGraphOf(survey);
    const depends = DEPENDS[column] ?? 'link';
    const keyOf = (row: number): number =>
        depends === 'source'
            ? rows.source[row]!
            : depends === 'block'
              ? graph.pageBlocks[rows.pageBlock[row]!]!
              : rows.link[row]!;
    const size =
        depends === 'source' ? survey.count : depends === 'block' ? graph.blockList.length : graph.target.length;
    // What depends on the page too (nofollow, a canonical to itself) is ordered by its first occurrence.
    const places = once(survey, `places of links ${column}`, () => {
        const place = new Int32Array(size).fill(-1);
        const seen = new Uint8Array(size);
        const values = new Map<Value, number[]>();
        for (let node = 0; node < survey.count; node++) {
            for (let at = graph.pageStart[node]!; at < graph.pageStart[node + 1]!; at++) {
                const list = graph.blockList[graph.pageBlocks[at]!]!;
                for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
                    const key = depends === 'source' ? node : depends === 'block' ? graph.pageBlocks[at]! : link;
                    if (seen[key] === 1) continue;
                    seen[key] = 1;
                    const value = valueOf(survey, graph, node, at, link, column);
                    if (value === null || value === '') continue;
                    const keys = values.get(value);
                    if (keys) keys.push(key);
                    else values.set(value, [key]);
                }
            }
        }
        const sorted = [...values.keys()].sort((a, b) => (a! < b! ? -1 : 1));
        sorted.forEach((value, index) => values.get(value)!.forEach((key) => (place[key] = index)));
        return { place, most: sorted.length };
    });
    const slots = places.most + 1;
    const start = new Uint32Array(slots + 1);
    const slotOf = (row: number): number => {
        const place = places.place[keyOf(row)]!;
        if (place === -1) return slots - 1;
        return descending ? places.most - 1 - place : place;
    };
    for (let row = 0; row < count; row++) start[slotOf(row) + 1]!++;
    for (let slot = 0; slot < slots; slot++) start[slot + 1]! += start[slot]!;
    for (let row = 0; row < count; row++) numbers[start[slotOf(row)]!++] = row;
    return numbers;
}
