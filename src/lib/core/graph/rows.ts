/**
 * Compressed rows: a graph as two typed arrays. The neighbours of node `n` are `targets[start[n]] …
 * targets[start[n + 1] - 1]`, in the order in which the edges were given.
 */
export interface Rows {
    nodes: number;
    /** Length nodes + 1. */
    start: Uint32Array;
    /** One entry per edge. */
    targets: Uint32Array;
    /** For each entry of `targets`, the number of the edge it was made from. */
    edges: Uint32Array;
}

/** Compresses an edge list by its sources; stable. O(nodes + edges). */
export function compressRows(nodes: number, from: ArrayLike<number>, to: ArrayLike<number>): Rows {
    const start = new Uint32Array(nodes + 1);
    for (let edge = 0; edge < from.length; edge++) start[from[edge]! + 1]!++;
    for (let node = 0; node < nodes; node++) start[node + 1]! += start[node]!;
    const fill = start.slice();
    const targets = new Uint32Array(from.length);
    const edges = new Uint32Array(from.length);
    for (let edge = 0; edge < from.length; edge++) {
        const slot = fill[from[edge]!]!++;
        targets[slot] = to[edge]!;
        edges[slot] = edge;
    }
    return { nodes, start, targets, edges };
}
