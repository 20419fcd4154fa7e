/** Depths as the rows of a chart: one each near the start page, and ranges that grow further down. */
import type { DepthBand } from '../survey/summary.ts';

/** Pages at the depths from one to another, both included. */
export interface DepthRow {
    from: number;
    to: number;
    pages: number;
    indexable: number;
}

/**
 * The first depths stand alone; below them each range is as long as all that is above it, so that a chain of 70,000
 * pages takes some dozen rows more. The last row ends at the greatest depth. O(bands).
 * @param single depths that stand alone
 */
export function depthRows(bands: readonly DepthBand[], single: number): DepthRow[] {
    const rows: DepthRow[] = [];
    // Two more rows are no reason to put depths together.
    const alone = bands.length <= single + 2 ? bands.length : single;
    for (let from = 0, length = 1; from < bands.length; from += length) {
        length = from < alone ? 1 : from;
        const to = Math.min(bands.length, from + length) - 1;
        rows.push(rowOf(bands, from, to));
    }
    return rows;
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
