/** Strong components: pages that lead to each other (`docs/measures.md`, "Components"). */
import { strongComponents } from '../graph/components.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { wayGraph } from '../model/way-graph.ts';

/** Number of the component of each node, that of the start page first. O(nodes + links). */
export function component(model: GraphModel): ArrayLike<number> {
    const { out, into } = wayGraph(model);
    return strongComponents(out, into, model.starts[0] ?? -1).of;
}
