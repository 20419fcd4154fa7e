/** Distinct links as compressed rows both ways: parallel links counted once, self links dropped. */

/** A simple directed graph: neighbours of node `n` are `targets[start[n]] … targets[start[n + 1] - 1]`, each once. */
export interface Links {
    nodes: number;
    /** Length nodes + 1. */
    start: Uint32Array;
    targets: Uint32Array;
}

/**
 * Rows whose neighbours stand in any order and any number -> each once, none to itself. A mark per target tells what a
 * row has had: no sorting. O(nodes + links).
 */
export function distinctLinks(nodes: number, start: Uint32Array, targets: ArrayLike<number>): Links {
    const mark = new Int32Array(nodes).fill(-1);
    const kept = new Uint32Array(targets.length);
    const starts = new Uint32Array(nodes + 1);
    let length = 0;
    for (let node = 0; node < nodes; node++) {
        mark[node] = node;
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            const target = targets[slot]!;
            if (mark[target] === node) continue;
            mark[target] = node;
            kept[length++] = target;
        }
        starts[node + 1] = length;
    }
    return { nodes, start: starts, targets: length === kept.length ? kept : kept.slice(0, length) };
}

/** The same links from the other end: the neighbours of a node are those that link to it, ascending. O(nodes + links). */
export function reversed(links: Links): Links {
    const { nodes, start, targets } = links;
    const starts = new Uint32Array(nodes + 1);
    for (let slot = 0; slot < targets.length; slot++) starts[targets[slot]! + 1]!++;
    for (let node = 0; node < nodes; node++) starts[node + 1]! += starts[node]!;
    const fill = starts.slice();
    const sources = new Uint32Array(targets.length);
    for (let node = 0; node < nodes; node++) {
        const end = start[node + 1]!;
        for (let slot = start[node]!; slot < end; slot++) sources[fill[targets[slot]!]!++] = node;
    }
    return { nodes, start: starts, targets: sources };
}

/** Links of an edge list, in any order. O(nodes + edges). */
export function linksOf(nodes: number, from: ArrayLike<number>, to: ArrayLike<number>): Links {
    const start = new Uint32Array(nodes + 1);
    for (let edge = 0; edge < from.length; edge++) start[from[edge]! + 1]!++;
    for (let node = 0; node < nodes; node++) start[node + 1]! += start[node]!;
    const fill = start.slice();
    const targets = new Uint32Array(from.length);
    for (let edge = 0; edge < from.length; edge++) targets[fill[from[edge]!]!++] = to[edge]!;
    return distinctLinks(nodes, start, targets);
}
