/** Thin holds: reached, and one reached page alone links there with a followed link (`docs/measures.md`, "Holds"). */
import { UNREACHED } from '../graph/depth.ts';
import { reversed } from '../graph/distinct.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { followedGraph } from '../model/way-graph.ts';
import { ways } from './ways.ts';

/** 1 for pages with a thin hold; start pages have none. O(nodes + links). */
export function thinHolds(model: GraphModel): Uint8Array {
    const { depth } = ways(model);
    const { start, targets } = reversed(followedGraph(model).clicks);
    const thin = new Uint8Array(model.count);
    for (let node = 0; node < model.count; node++) {
        if (model.isPage[node] !== 1 || depth[node] === UNREACHED) continue;
        let holds = 0;
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) if (depth[targets[slot]!] !== UNREACHED) holds++;
        if (holds === 1) thin[node] = 1;
    }
    for (const node of model.starts) thin[node] = 0;
    return thin;
}
