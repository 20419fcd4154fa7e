/** The links of a survey for `links.csv`, page by page, with their lines from the layouts in the database. */
import { linkGraphOf } from '../../core/packed/link-graph.ts';
import { linksOfNode } from '../../core/areas/link-records.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import type { LinkRecord } from '../../core/survey/link-records.ts';
import type { LayoutRow } from '../../core/survey/survey-rows.ts';
import type { Database } from '../store/connect.ts';
import { loadLayouts } from '../store/rows-store.ts';

/** Pages whose layouts are read at once. */
const PAGES = 500;

/** All records of a survey with all its parts, a page at a time in the order of their URLs. */
export async function* linkRecords(db: Database, surveyId: number, packed: PackedSurvey): AsyncGenerator<LinkRecord[]> {
    const { pageStart } = linkGraphOf(packed);
    const layouts = packed.numbers('page_block_layout');
    let known = new Map<number, LayoutRow>();
    for (let from = 0; from < packed.count; from += PAGES) {
        const to = Math.min(packed.count, from + PAGES);
        const kept = new Map<number, LayoutRow>();
        const missing = new Set<number>();
        for (let at = pageStart[from]!; at < pageStart[to]!; at++) {
            const id = layouts[at]!;
            const layout = known.get(id);
            // Those of menus stand on the pages before as well.
            if (layout) kept.set(id, layout);
            else missing.add(id);
        }
        for (const [id, layout] of await loadLayouts(db, surveyId, [...missing])) kept.set(id, layout);
        known = kept;
        for (let node = from; node < to; node++) yield linksOfNode(packed, node, (id) => kept.get(id));
    }
}

/** The same of one page. */
export async function linkRecordsOfPage(
    db: Database,
    surveyId: number,
    packed: PackedSurvey,
    node: number,
): Promise<LinkRecord[]> {
    const { pageStart } = linkGraphOf(packed);
    const layouts = packed.numbers('page_block_layout').subarray(pageStart[node]!, pageStart[node + 1]!);
    const known = await loadLayouts(db, surveyId, [...new Set(layouts)]);
    return linksOfNode(packed, node, (id) => known.get(id));
}
