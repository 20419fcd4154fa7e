/**
 * Depth: the least number of clicks from the start page. Edges cost one click (links) or none (HTTP redirects and
 * instant refreshes), so the search is breadth-first with the free edges of a level taken before the next level.
 */
import type { Links } from './distinct.ts';

/** Depth of a node that no path reaches. */
export const UNREACHED = -1;

export interface Depths {
    /** Least number of clicks, or `UNREACHED`. */
    depth: Int32Array;
    /** The slot of its rows (of links, or of free edges) by which the shortest path enters a node; -1 for starts and unreached. */
    enteredBy: Int32Array;
    /** The node before it on that path; -1 for starts and unreached. */
    parent: Int32Array;
}

/**
 * @param clicks edges that cost one click, parallel ones or not
 * @param free edges that cost none, over the same nodes
 * @param starts nodes of depth 0
 * Among equally short paths the one found first wins: levels in order, nodes in the order reached, edges as given.
 * O(nodes + edges).
 */
export function depths(clicks: Links, free: Links, starts: ArrayLike<number>): Depths {
    const { nodes } = clicks;
    const depth = new Int32Array(nodes).fill(UNREACHED);
    const enteredBy = new Int32Array(nodes).fill(-1);
    const parent = new Int32Array(nodes).fill(-1);
    let level = new Uint32Array(nodes);
    let next = new Uint32Array(nodes);
    let length = 0;
    for (let index = 0; index < starts.length; index++) {
        const node = starts[index]!;
        if (depth[node] === UNREACHED) {
            depth[node] = 0;
            level[length++] = node;
        }
    }
    const hasFree = free.targets.length > 0;
    for (let clicked = 0; length > 0; clicked++) {
        // The level grows at its end while free edges are followed.
        for (let index = 0; hasFree && index < length; index++) {
            const node = level[index]!;
            for (let slot = free.start[node]!; slot < free.start[node + 1]!; slot++) {
                const target = free.targets[slot]!;
                if (depth[target] !== UNREACHED) continue;
                depth[target] = clicked;
                parent[target] = node;
                enteredBy[target] = slot;
                level[length++] = target;
            }
        }
        let found = 0;
        for (let index = 0; index < length; index++) {
            const node = level[index]!;
            const end = clicks.start[node + 1]!;
            for (let slot = clicks.start[node]!; slot < end; slot++) {
                const target = clicks.targets[slot]!;
                if (depth[target] !== UNREACHED) continue;
                depth[target] = clicked + 1;
                parent[target] = node;
                enteredBy[target] = slot;
                next[found++] = target;
            }
        }
        [level, next] = [next, level];
        length = found;
    }
    return { depth, enteredBy, parent };
}

/** The nodes of the shortest path to a node, start first; empty when it is not reached. */
export function pathTo(found: Depths, node: number): number[] {
    if ((found.depth[node] ?? UNREACHED) === UNREACHED) return [];
    const path: number[] = [];
    for (let at = node; at !== -1; at = found.parent[at]!) path.push(at);
    return path.reverse();
}
