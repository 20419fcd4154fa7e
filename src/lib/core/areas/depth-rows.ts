/** Depths as the rows of a chart: one each near the start page, and ranges that grow further down. */
import { growingRanges, type DepthRange } from '../survey/level-ranges.ts';
import type { DepthBand } from '../survey/summary.ts';

/** Pages at the depths from one to another, both included. */
export interface DepthRow extends DepthRange {
    pages: number;
    indexable: number;
}

/** The last row ends at the greatest depth. O(bands). @param single depths that stand alone */
export function depthRows(bands: readonly DepthBand[], single: number): DepthRow[] {
    return growingRanges(bands.length, single).map(({ from, to }) => rowOf(bands, from, to));
}

/** The same rows for other bands: of a set of the pages. */
export function sameRows(bands: readonly DepthBand[], rows: readonly DepthRow[]): DepthRow[] {
    return rows.map(({ from, to }) => rowOf(bands, from, to));
}

function rowOf(bands: readonly DepthBand[], from: number, to: number): DepthRow {
    const row: DepthRow = { from, to, pages: 0, indexable: 0 };
    for (let depth = from; depth <= to && depth < bands.length; depth++) {
        row.pages += bands[depth]!.pages;
        row.indexable += bands[depth]!.indexable;
    }
    return row;
}
