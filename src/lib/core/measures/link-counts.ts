/** Counts of links to and from each page (`docs/measures.md`, "Links"). */
import { LINK_KINDS } from '../page/links.ts';
import { NO_ADDRESS, type GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';

const A = LINK_KINDS.indexOf('a');

export interface LinkCounts {
    incomingLinks: Uint32Array;
    incomingFollowed: Uint32Array;
    incomingPages: Uint32Array;
    outgoingLinks: Uint32Array;
    /** Different pages whose links count that carry each block. */
    blockPages: Uint32Array;
}

/** Counts of `a` links over all pages whose links count; a link of a page to itself counts nowhere. O(occurrences). */
export const linkCounts = perModel((model: GraphModel): LinkCounts => {
    const { count, isPage, pageStart, pageBlocks, blockList, listStart, target, kind, follow, nofollow } = model;
    const counts: LinkCounts = {
        incomingLinks: new Uint32Array(count),
        incomingFollowed: new Uint32Array(count),
        incomingPages: new Uint32Array(count),
        outgoingLinks: new Uint32Array(count),
        blockPages: new Uint32Array(blockList.length),
    };
    const lastSource = new Int32Array(count).fill(-1);
    const lastPage = new Int32Array(blockList.length).fill(-1);
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const own = pageBlocks[at]!;
            if (lastPage[own] !== node) {
                lastPage[own] = node;
                counts.blockPages[own]!++;
            }
            const list = blockList[own]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to === NO_ADDRESS || to === node) continue;
                counts.outgoingLinks[node]!++;
                if (to < 0 || to >= count) continue;
                counts.incomingLinks[to]!++;
                if (follow[link] === 1 && nofollow[node] === 0) counts.incomingFollowed[to]!++;
                if (lastSource[to] !== node) {
                    lastSource[to] = node;
                    counts.incomingPages[to]!++;
                }
            }
        }
    }
    return counts;
});
