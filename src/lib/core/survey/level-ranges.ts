/** Depths put together where there are many: one each near the start page, and ranges that grow further down. */

export interface DepthRange {
    from: number;
    /** Included. */
    to: number;
}

/**
 * The first depths stand alone; below them each range is as long as all that is above it, so that a chain of 70,000
 * pages takes some dozen ranges more. O(ranges)
 * @param depths how many there are, from 0 on
 * @param single depths that stand alone
 */
export function growingRanges(depths: number, single: number): DepthRange[] {
    const ranges: DepthRange[] = [];
    // Two more are no reason to put depths together.
    const alone = depths <= single + 2 ? depths : single;
    for (let from = 0, length = 1; from < depths; from += length) {
        length = from < alone ? 1 : from;
        ranges.push({ from, to: Math.min(depths, from + length) - 1 });
    }
    return ranges;
}

/** How much of the URLs at some depths was read while a survey runs. */
export interface LevelRange extends DepthRange {
    read: number;
    seen: number;
}

/** Levels that stand alone in what a survey tells of itself. */
export const SINGLE_LEVELS = 40;

/**
 * Levels as ranges: as many as a page shows, however deep a site is. O(levels)
 * @param seen URLs of each level, from 0 on
 * @param read how many of them were read; what is missing is 0
 */
export function levelRanges(seen: readonly number[], read: readonly (number | undefined)[]): LevelRange[] {
    return growingRanges(seen.length, SINGLE_LEVELS).map(({ from, to }) => {
        const range: LevelRange = { from, to, read: 0, seen: 0 };
        for (let level = from; level <= to; level++) {
            range.read += read[level] ?? 0;
            range.seen += seen[level]!;
        }
        return range;
    });
}
