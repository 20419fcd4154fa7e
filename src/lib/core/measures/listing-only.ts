/** Pages that paginated lists and archives alone lead to (`docs/measures.md`, "Holds"). */
import { UNREACHED } from '../graph/depth.ts';
import { reversed } from '../graph/distinct.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { depthGraph } from '../model/way-graph.ts';
import { ways } from './ways.ts';

/** 1 for them; nothing is said where something was left unread. Needs the URLs. O(nodes + links). */
export function listingOnly(model: GraphModel): Uint8Array {
    const found = new Uint8Array(model.count);
    if (!model.isComplete) return found;
    const { depth } = ways(model);
    const { start, targets } = reversed(depthGraph(model).clicks);
    const isListing = model.texts.isListing();
    for (let node = 0; node < model.count; node++) {
        if (model.isPage[node] !== 1 || depth[node] === UNREACHED || isListing[node] === 1) continue;
        if (start[node] === start[node + 1]) continue;
        found[node] = 1;
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            if (isListing[targets[slot]!] === 0) found[node] = 0;
        }
    }
    for (const node of model.starts) found[node] = 0;
    return found;
}
