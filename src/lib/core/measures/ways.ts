/** Depth, and the shortest path to each node with the link it ends with (`docs/measures.md`, "Depth"). */
import { depths, type Depths } from '../graph/depth.ts';
import type { Links } from '../graph/distinct.ts';
import { LINK_KINDS } from '../page/links.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { freeLinks } from '../model/way-graph.ts';

const A = LINK_KINDS.indexOf('a');

export interface Ways extends Depths {
    /** Block, as a place in the list of the parent's page blocks, by which the shortest path enters a node; or -1. */
    wayBlock: Int32Array;
    /** Number of the link in that block's list; or -1. */
    wayLink: Int32Array;
}

/**
 * The shortest paths over `a` links of pages that may be read, and over redirects and instant refreshes, which cost no
 * click. Of equally short paths the first: pages in the order they are reached, links in the order they stand.
 * O(nodes + link occurrences).
 */
export const ways = perModel((model: GraphModel): Ways => {
    const { count, starts, isPage, isClosed, pageStart, pageBlocks, blockList, listStart, target, kind } = model;
    const leads = (link: number, node: number): boolean => {
        const to = target[link]!;
        return kind[link] === A && to >= 0 && to < count && to !== node;
    };
    const start = new Uint32Array(count + 1);
    /** First slot of each block of each node. */
    const blockSlot = new Uint32Array(pageBlocks.length + 1);
    let slots = 0;
    for (let node = 0; node < count; node++) {
        const counts = isPage[node] === 1 && isClosed[node] === 0;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            if (counts) {
                const list = blockList[pageBlocks[at]!]!;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++) if (leads(link, node)) slots++;
            }
            blockSlot[at + 1] = slots;
        }
        start[node + 1] = slots;
    }
    const targets = new Uint32Array(slots);
    const slotLink = new Uint32Array(slots);
    for (let node = 0, slot = 0; node < count; node++) {
        if (start[node] === start[node + 1]) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (!leads(link, node)) continue;
                targets[slot] = target[link]!;
                slotLink[slot++] = link;
            }
        }
    }
    const clicks: Links = { nodes: count, start, targets };
    const found = depths(clicks, freeLinks(model), starts);
    const wayBlock = new Int32Array(count).fill(-1);
    const wayLink = new Int32Array(count).fill(-1);
    for (let node = 0; node < count; node++) {
        const parent = found.parent[node]!;
        const slot = found.enteredBy[node]!;
        if (parent === -1 || slot === -1 || found.depth[parent] === found.depth[node]) continue;
        const at = blockOfSlot(blockSlot, slot, pageStart[parent]!, pageStart[parent + 1]!);
        wayBlock[node] = at;
        wayLink[node] = slotLink[slot]! - listStart[blockList[pageBlocks[at]!]!]!;
    }
    return { ...found, wayBlock, wayLink };
});

/** The last block that begins at or before a slot and holds any. O(log blocks of the page). */
function blockOfSlot(blockSlot: Uint32Array, slot: number, from: number, to: number): number {
    let low = from;
    let high = to - 1;
    while (low < high) {
        const middle = (low + high) >> 1;
        if (blockSlot[middle + 1]! <= slot) low = middle + 1;
        else high = middle;
    }
    return low;
}
