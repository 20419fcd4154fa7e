/** How many shortest paths there are from one node to another, and through which of them all go. */
import type { Links } from './distinct.ts';

export interface ShortestPaths {
    /** Clicks of each. */
    clicks: number;
    /** How many; a number that is too large to be told exactly is as near as a float can be. */
    paths: number;
    /** Nodes that stand on some of them, both ends aside, by how many go through each: the most first. */
    through: { node: number; paths: number }[];
}

/**
 * Edges cost one click or none. Counted by dynamic programming over the levels of a breadth-first search (Brandes 2001),
 * free edges in the order they are found in. O(nodes + edges)
 * @param without a node that no path may touch; -1 for none
 * @returns null where no way leads
 */
export function shortestPaths(
    clicks: Links,
    free: Links,
    from: number,
    to: number,
    without = -1,
): ShortestPaths | null {
    const { nodes } = clicks;
    if (from === without || to === without) return null;
    const depth = new Int32Array(nodes).fill(-1);
    const place = new Int32Array(nodes).fill(-1);
    const order: number[] = [];
    const add = (node: number, at: number): void => {
        depth[node] = at;
        place[node] = order.length;
        order.push(node);
    };
    add(from, 0);
    let level = 0;
    for (let clicked = 0; level < order.length && (depth[to] === -1 || depth[to] === clicked); clicked++) {
        const begin = level;
        // The level grows at its end while free edges are followed.
        for (; level < order.length; level++) {
            const node = order[level]!;
            for (let slot = free.start[node]!; slot < free.start[node + 1]!; slot++) {
                const target = free.targets[slot]!;
                if (target !== without && depth[target] === -1) add(target, clicked);
            }
        }
        if (depth[to] !== -1) break;
        const end = order.length;
        for (let at = begin; at < end; at++) {
            const node = order[at]!;
            for (let slot = clicks.start[node]!; slot < clicks.start[node + 1]!; slot++) {
                const target = clicks.targets[slot]!;
                if (target !== without && depth[target] === -1) add(target, clicked + 1);
            }
        }
        level = end;
    }
    if (depth[to] === -1) return null;
    const isStep = (a: number, b: number, cost: number): boolean =>
        depth[b] !== -1 && depth[b] === depth[a]! + cost && (cost === 1 || place[a]! < place[b]!);
    const each = (node: number, see: (next: number) => void): void => {
        for (const [graph, cost] of [
            [free, 0],
            [clicks, 1],
        ] as const) {
            for (let slot = graph.start[node]!; slot < graph.start[node + 1]!; slot++) {
                const next = graph.targets[slot]!;
                if (isStep(node, next, cost)) see(next);
            }
        }
    };
    // Paths from the beginning to each, and from each to the end.
    const before = new Float64Array(nodes);
    const behind = new Float64Array(nodes);
    before[from] = 1;
    for (const node of order) each(node, (next) => (before[next]! += before[node]!));
    behind[to] = 1;
    for (let at = order.length - 1; at >= 0; at--) {
        const node = order[at]!;
        if (node === to) continue;
        each(node, (next) => (behind[node]! += behind[next]!));
    }
    const through = order
        .filter((node) => node !== from && node !== to && before[node]! * behind[node]! > 0)
        .map((node) => ({ node, paths: before[node]! * behind[node]! }))
        .sort((a, b) => b.paths - a.paths || depth[a.node]! - depth[b.node]! || a.node - b.node);
    return { clicks: depth[to]!, paths: before[to]!, through };
}
