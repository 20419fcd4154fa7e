/** The Links table: links that come from, or lead to, the pages of a set; one row for each occurrence. */
import type { InnerName } from '../packed/column-names.ts';
import { isFollowed, LINK_KINDS, REGIONS, type LinkKind, type Region } from '../page/links.ts';
import { linkGraphOf, type LinkGraph } from '../packed/link-graph.ts';
import { TO_SELF } from '../model/graph-model.ts';
import { type PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from './bits.ts';
import type { Value } from './field.ts';
import { once } from '../kept.ts';

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
    /** 1 for each link, by its number, that is asked for: of pages that answered 200 alone, and none to the page itself. */
    only?: Uint8Array;
}

/** Links as three columns: the page, its block (an index of `page_block`), the link in the block's list. */
export interface LinkRows {
    source: Uint32Array;
    pageBlock: Uint32Array;
    link: Uint32Array;
}

/** What a question asks for, worked out once for each list. */
export interface LinkChoice {
    graph: LinkGraph;
    /** 1 for each link that is asked for. */
    fits: Uint8Array;
    /** How many of a list are, but for those to the carrying page itself. */
    perList: Uint32Array;
    /** How many of those to the carrying page itself are, where that page counts. */
    selfPerList: Uint32Array;
    wantsPage: (node: number) => boolean;
    wantsBlock: (block: number) => boolean;
    /** Whether links of a page to itself count: always from its side; from the other, where it is in the set. */
    wantsSelf: (node: number) => boolean;
}

/** O(links of lists). */
export function chooseLinks(survey: PackedSurvey, set: Bits, query: LinkQuery): LinkChoice {
    const graph = linkGraphOf(survey);
    const { isPage, blockRegion, listStart, target, kind, follow, nofollow } = graph;
    const { count } = survey;
    const wantedKind = query.kind === undefined ? -1 : LINK_KINDS.indexOf(query.kind);
    const wantedRegion = query.region === undefined ? -1 : REGIONS.indexOf(query.region);
    const isFrom = query.side === 'from';
    const choose = () => {
        const fits = new Uint8Array(target.length);
        const perList = new Uint32Array(listStart.length - 1);
        const selfPerList = new Uint32Array(listStart.length - 1);
        for (let list = 0; list < perList.length; list++) {
            const end = listStart[list + 1]!;
            for (let link = listStart[list]!; link < end; link++) {
                if (wantedKind !== -1 && kind[link] !== wantedKind) continue;
                if (query.followed && follow[link] === 0) continue;
                if (query.only && query.only[link] === 0) continue;
                const to = target[link]!;
                if (!isFrom && to !== TO_SELF && !(to >= 0 && to < count && set.has(to))) continue;
                fits[link] = 1;
                if (to === TO_SELF) selfPerList[list]!++;
                else perList[list]!++;
            }
        }
        return { fits, perList, selfPerList };
    };
    // From its side a link is chosen by itself, whatever the set.
    const { fits, perList, selfPerList } =
        isFrom && !query.only
            ? once(survey, 'links asked for', [wantedKind, query.followed === true], choose)
            : choose();
    return {
        graph,
        fits,
        perList,
        selfPerList,
        wantsPage: (node) =>
            (!isFrom || set.has(node)) &&
            !(query.followed && nofollow[node] === 1) &&
            !(query.only && isPage[node] !== 1),
        wantsBlock: (block) => wantedRegion === -1 || blockRegion[block] === wantedRegion,
        wantsSelf: (node) => isFrom || set.has(node),
    };
}

/**
 * Links from pages of the set, or to them, page by page in the order of URLs, as they stand on each page. Links of pages
 * that did not answer 200 are among them: they are kept, and count for nothing. O(link occurrences).
 */
export function linkRows(survey: PackedSurvey, set: Bits, query: LinkQuery): LinkRows {
    const { graph, fits, perList, selfPerList, wantsPage, wantsBlock, wantsSelf } = chooseLinks(survey, set, query);
    const { pageStart, pageBlocks, blockList, listStart, target } = graph;
    const { count } = survey;
    let most = 0;
    for (let node = 0; node < count; node++) {
        if (!wantsPage(node)) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            most += perList[list]! + selfPerList[list]!;
        }
    }
    const rows: LinkRows = {
        source: new Uint32Array(most),
        pageBlock: new Uint32Array(most),
        link: new Uint32Array(most),
    };
    let length = 0;
    for (let node = 0; node < count; node++) {
        if (!wantsPage(node)) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const list = blockList[block]!;
            if (perList[list]! + selfPerList[list]! === 0 || !wantsBlock(block)) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (fits[link] === 0 || (target[link] === TO_SELF && !wantsSelf(node))) continue;
                if (query.only && target[link] === node) continue;
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
    const word = (name: InnerName): string => survey.word(name, link);
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
            return survey.measured.templates[graph.blockTemplate[block]!]?.name ?? '';
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

/** Columns whose values are words of a table: their order is that of the words, and no link need be looked at for it. */
const WORDS = ['anchor', 'name', 'rel', 'fragment'] as const;
type WordColumn = (typeof WORDS)[number];
const isWordColumn = (column: LinkTableColumn): column is WordColumn => WORDS.some((name) => name === column);

export interface LinkPlaces {
    /** What a place belongs to. */
    of: 'source' | 'block' | 'link';
    /** Place of each of them, equal for equal values; -1 for what is not known. */
    place: Int32Array;
    /** How many different places there are. */
    most: number;
}

/**
 * The order of links by a column. Values are compared once for each page, block or link of a list; what depends on the
 * page too (a canonical to itself) is told by its first occurrence. Made once. O(links + values log values).
 */
export function linkPlaces(survey: PackedSurvey, column: LinkTableColumn): LinkPlaces {
    return once(survey, 'places of links', [column], () =>
        isWordColumn(column) ? placesOfWords(survey, column) : placesOfValues(survey, column),
    );
}

function placesOfWords(survey: PackedSurvey, column: WordColumn): LinkPlaces {
    const codes = survey.numbers(`link_${column}`);
    const words = survey.texts(`link_${column}_words`).all();
    const sorted = [...words.keys()]
        .filter((code) => words[code] !== '')
        .sort((a, b) => (words[a]! < words[b]! ? -1 : 1));
    const placeOf = new Int32Array(words.length).fill(-1);
    sorted.forEach((code, index) => (placeOf[code] = index));
    const place = new Int32Array(codes.length);
    for (let link = 0; link < place.length; link++) place[link] = placeOf[codes[link]!]!;
    return { of: 'link', place, most: sorted.length };
}

function placesOfValues(survey: PackedSurvey, column: LinkTableColumn): LinkPlaces {
    const graph = linkGraphOf(survey);
    const of = DEPENDS[column] ?? 'link';
    const size = of === 'source' ? survey.count : of === 'block' ? graph.blockList.length : graph.target.length;
    const place = new Int32Array(size).fill(-1);
    const values = new Map<Value, number[]>();
    const put = (key: number, node: number, at: number, link: number): void => {
        const value = valueOf(survey, graph, node, at, link, column);
        if (value === null || value === '') return;
        const keys = values.get(value);
        if (keys) keys.push(key);
        else values.set(value, [key]);
    };
    const wasSeen = new Uint8Array(of === 'link' ? graph.listStart.length - 1 : size);
    for (let node = 0; node < survey.count; node++) {
        for (let at = graph.pageStart[node]!; at < graph.pageStart[node + 1]!; at++) {
            const block = graph.pageBlocks[at]!;
            const list = graph.blockList[block]!;
            const key = of === 'source' ? node : of === 'block' ? block : list;
            if (wasSeen[key] === 1) continue;
            wasSeen[key] = 1;
            if (of !== 'link') put(key, node, at, graph.listStart[list]!);
            else
                for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++)
                    put(link, node, at, link);
        }
    }
    const sorted = [...values.keys()].sort((a, b) => (a! < b! ? -1 : 1));
    sorted.forEach((value, index) => values.get(value)!.forEach((key) => (place[key] = index)));
    return { of, place, most: sorted.length };
}
