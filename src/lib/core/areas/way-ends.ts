/** A way is told step by step; of a very long one both ends, for nobody reads on through 50,000 steps. */

/** Steps told at each end of a long way. */
export const WAY_END = 30;

export interface WayEnds<S> {
    steps: S[];
    /** Steps that are not told: those behind the first `WAY_END`; 0 for none. */
    leftOut: number;
}

/** @param step tells the step at an index of the way; asked for those that are told, in their order */
export function wayEnds<S>(length: number, step: (index: number) => S): WayEnds<S> {
    const leftOut = length > 2 * WAY_END + 1 ? length - 2 * WAY_END : 0;
    return {
        steps: Array.from({ length: length - leftOut }, (_, told) =>
            step(leftOut > 0 && told >= WAY_END ? told + leftOut : told),
        ),
        leftOut,
    };
}
