/** Depth by followed links alone, and what declined links alone lead to (`docs/measures.md`, "Depth"). */
import { depths, UNREACHED } from '../graph/depth.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { followedGraph } from '../model/way-graph.ts';
import { ways } from './ways.ts';

/** O(nodes + links). */
export const followedDepth = perModel((model): Int32Array => {
    const { clicks, free } = followedGraph(model);
    return depths(clicks, free, model.starts).depth;
});

/** 1 for pages that are reached, and by followed links alone are not; nothing is said where something was left unread. */
export function declineOnly(model: GraphModel): Uint8Array {
    const declined = new Uint8Array(model.count);
    if (!model.isComplete) return declined;
    const { depth } = ways(model);
    const byFollowed = followedDepth(model);
    for (let node = 0; node < model.count; node++) {
        const isReached = model.isPage[node] === 1 && depth[node] !== UNREACHED;
        if (isReached && byFollowed[node] === UNREACHED) declined[node] = 1;
    }
    return declined;
}
