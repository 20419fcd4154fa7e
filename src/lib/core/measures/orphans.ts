/** Orphans: pages that were read and that no path of links reaches (`docs/measures.md`, "Orphans"). */
import { UNREACHED } from '../graph/depth.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { linkCounts } from './link-counts.ts';
import { ways } from './ways.ts';

/** Kinds of orphans as numbers. */
export const ORPHAN = { unknown: -1, no: 0, strict: 1, adrift: 2 } as const;

/** Kind of each node; unknown where something was left unread because of a limit or a stop. O(nodes). */
export const orphans = perModel((model: GraphModel): Int8Array => {
    const { count, isPage, isComplete } = model;
    const kinds = new Int8Array(count).fill(isComplete ? ORPHAN.no : ORPHAN.unknown);
    if (!isComplete) return kinds;
    const { depth } = ways(model);
    const { incomingPages } = linkCounts(model);
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1 || depth[node] !== UNREACHED) continue;
        kinds[node] = incomingPages[node] === 0 ? ORPHAN.strict : ORPHAN.adrift;
    }
    return kinds;
});
