/** Where links stand in the received source of their pages: from the layouts of the blocks they stand in. */
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { Database } from './store/connect.ts';
import { loadLayouts } from './store/rows-store.ts';

export interface LinkMark {
    /** From 1; null where the link stands in no markup. */
    line: number | null;
    column: number | null;
    /** As written. */
    href: string;
}

/** @param places of links: a block of a page, and the place in its list. Needs the part `core`. */
export async function linkMarks(
    db: Database,
    surveyId: number,
    packed: PackedSurvey,
    places: readonly { pageBlock: number; at: number }[],
): Promise<LinkMark[]> {
    const layouts = packed.numbers('page_block_layout');
    const lines = packed.numbers('page_block_line');
    const wanted = new Set(places.map(({ pageBlock }) => layouts[pageBlock]!));
    const known = await loadLayouts(db, surveyId, [...wanted]);
    return places.map(({ pageBlock, at }) => {
        const layout = known.get(layouts[pageBlock]!);
        const first = lines[pageBlock]!;
        return {
            line: first === 0 ? null : first + (layout?.lines[at] ?? 0),
            column: first === 0 ? null : (layout?.columns[at] ?? null),
            href: layout?.hrefs[at] ?? '',
        };
    });
}
