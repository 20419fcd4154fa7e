/** The Links table on the server: the links of a set in an order, a window of them with their lines, or all. */
import { LINK_KINDS, REGIONS } from '../core/page/links.ts';
import type { Value } from '../core/sets/fields.ts';
import {
    LINK_SIDES,
    LINK_TABLE_COLUMNS,
    linkRows,
    linkValue,
    orderLinks,
    type LinkQuery,
    type LinkRows,
} from '../core/sets/link-rows.ts';
import { linkGraphOf } from '../core/packed/link-graph.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { orderOf, windowOf, type CurrentSet } from './current-set.ts';
import { markupOf } from './sheet-details.ts';
import type { Survey } from './store/survey-store.ts';

interface Params {
    get(name: string): string | null;
}

export function linkQueryOf(params: Params): LinkQuery {
    const kind = LINK_KINDS.find((name) => name === (params.get('kind') ?? 'a'));
    const region = REGIONS.find((name) => name === params.get('region'));
    return {
        side: LINK_SIDES.find((name) => name === params.get('side')) ?? 'from',
        ...(kind && { kind }),
        ...(region && { region }),
        followed: params.get('followed') === 'yes',
    };
}

/** Rows of the last few questions: the next window of a table asks the same. */
interface KeptRows {
    survey: PackedSurvey;
    key: string;
    rows: LinkRows;
    order: Uint32Array;
}
const kept: KeptRows[] = [];
const MOST_KEPT = 3;

function orderedLinks(current: CurrentSet, query: LinkQuery, params: Params): { rows: LinkRows; order: Uint32Array } {
    const { column, descending } = orderOf(params);
    const key = JSON.stringify([current.text, query, column, descending]);
    const known = kept.find((item) => item.survey === current.survey && item.key === key);
    if (known) return known;
    const rows = linkRows(current.survey, current.bits, query);
    const by = LINK_TABLE_COLUMNS.find((name) => name === column) ?? 'source';
    const entry = { survey: current.survey, key, rows, order: orderLinks(current.survey, rows, by, descending) };
    kept.unshift(entry);
    kept.length = Math.min(kept.length, MOST_KEPT);
    return entry;
}

export interface LinkWindow {
    total: number;
    from: number;
    rows: { source: number; target: number | null; record: Record<string, Value> }[];
}

export async function linkWindow(
    survey: Survey,
    current: CurrentSet,
    query: LinkQuery,
    params: Params,
): Promise<LinkWindow> {
    const { rows, order } = orderedLinks(current, query, params);
    const { from, count } = windowOf(params);
    return {
        total: order.length,
        from,
        rows: await recordsOf(survey, current.survey, rows, order.subarray(from, from + count)),
    };
}

async function recordsOf(
    survey: Survey,
    packed: PackedSurvey,
    rows: LinkRows,
    wanted: Uint32Array,
): Promise<LinkWindow['rows']> {
    const graph = linkGraphOf(packed);
    const places = Array.from(wanted, (row) => {
        const pageBlock = rows.pageBlock[row]!;
        return { pageBlock, at: rows.link[row]! - graph.listStart[graph.blockList[graph.pageBlocks[pageBlock]!]!]! };
    });
    const marks = await markupOf(survey, packed, places);
    return Array.from(wanted, (row, index) => {
        const record: Record<string, Value> = {};
        for (const column of LINK_TABLE_COLUMNS) record[column] = linkValue(packed, rows, row, column);
        const { line, column, href } = marks[index]!;
        const target = graph.target[rows.link[row]!]!;
        return {
            source: rows.source[row]!,
            target: target >= 0 && target < packed.count ? target : null,
            record: { ...record, line, column, href },
        };
    });
}

/** Links read at a time for an export. */
const AT_ONCE = 2_000;

/** All links of a set, page by page. */
export async function* eachLink(
    survey: Survey,
    current: CurrentSet,
    query: LinkQuery,
): AsyncGenerator<Record<string, Value>> {
    const rows = linkRows(current.survey, current.bits, query);
    for (let from = 0; from < rows.link.length; from += AT_ONCE) {
        const wanted = Uint32Array.from(
            { length: Math.min(AT_ONCE, rows.link.length - from) },
            (_, index) => from + index,
        );
        for (const { record } of await recordsOf(survey, current.survey, rows, wanted)) yield record;
    }
}
