/** The Links table on the server: the links of a set in an order, a window of them with their lines, or all. */
import { LINK_KINDS, REGIONS } from '../core/page/links.ts';
import type { Value } from '../core/sets/field.ts';
import {
    LINK_SIDES,
    LINK_TABLE_COLUMNS,
    linkRows,
    linkValue,
    type LinkQuery,
    type LinkRows,
} from '../core/sets/link-rows.ts';
import { linkWindowRows } from '../core/sets/link-window.ts';
import { linkGraphOf } from '../core/packed/link-graph.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { LINK_SAYS, linksThatSay, type LinkSays } from '../core/subjects/link-says.ts';
import { orderOf, windowOf, type CurrentSet } from './current-set.ts';
import { judgedAnchors } from './proposals/judged-anchors.ts';
import type { RequestContext } from './request-context.ts';
import { markupOf } from './sheet-details.ts';
import type { Survey } from './store/survey-store.ts';

interface Params {
    get(name: string): string | null;
}

/** Which links are asked for by what they say; null where nothing is asked. */
export const saysOf = (params: Params): LinkSays | null =>
    LINK_SAYS.find((says) => says === params.get('says')) ?? null;

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

/** The same, narrowed by what links of running text say. Needs the part `links` of the survey. */
export async function linkQueryFor(request: RequestContext, params: Params): Promise<LinkQuery> {
    const query = linkQueryOf(params);
    const says = saysOf(params);
    if (says === null) return query;
    const { packed, fits, generic } = await judgedAnchors(request);
    return { ...query, only: linksThatSay(packed, says, fits, generic) };
}

export interface LinkWindow {
    total: number;
    from: number;
    /** `source` and `target` are the URLs of pages; a target that is no URL of the site is null. */
    rows: { source: string; target: string | null; record: Record<string, Value> }[];
}

export async function linkWindow(
    survey: Survey,
    current: CurrentSet,
    query: LinkQuery,
    params: Params,
): Promise<LinkWindow> {
    const { column, descending } = orderOf(params);
    const { from, count } = windowOf(params);
    const by = LINK_TABLE_COLUMNS.find((name) => name === column) ?? 'source';
    const order = { column: by, descending };
    const { total, rows } = linkWindowRows(current.survey, current.bits, query, order, from, count);
    return { total, from, rows: await recordsOf(survey, current.survey, rows, 0, rows.link.length) };
}

async function recordsOf(
    survey: Survey,
    packed: PackedSurvey,
    rows: LinkRows,
    from: number,
    count: number,
): Promise<LinkWindow['rows']> {
    const graph = linkGraphOf(packed);
    const wanted = Array.from({ length: count }, (_, index) => from + index);
    const places = wanted.map((row) => {
        const pageBlock = rows.pageBlock[row]!;
        return { pageBlock, at: rows.link[row]! - graph.listStart[graph.blockList[graph.pageBlocks[pageBlock]!]!]! };
    });
    const marks = await markupOf(survey, packed, places);
    return wanted.map((row, index) => {
        const record: Record<string, Value> = {};
        for (const column of LINK_TABLE_COLUMNS) record[column] = linkValue(packed, rows, row, column);
        const { line, column, href } = marks[index]!;
        const target = graph.target[rows.link[row]!]!;
        return {
            source: packed.url(rows.source[row]!),
            target: target >= 0 && target < packed.count ? packed.url(target) : null,
            record: { ...record, line, column, href },
        };
    });
}

/** Links read at a time for an export. */
const AT_ONCE = 2_000;

/** All links of a set, page by page, so many at once as are read. */
export async function* linkGroups(
    survey: Survey,
    current: CurrentSet,
    query: LinkQuery,
): AsyncGenerator<Record<string, Value>[]> {
    const rows = linkRows(current.survey, current.bits, query);
    for (let from = 0; from < rows.link.length; from += AT_ONCE) {
        const count = Math.min(AT_ONCE, rows.link.length - from);
        yield (await recordsOf(survey, current.survey, rows, from, count)).map(({ record }) => record);
    }
}
