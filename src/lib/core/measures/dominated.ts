/** What hangs from single pages and single links (`docs/measures.md`, "Load", "Held by one link"). */
import { bridges, dominators, loads } from '../graph/dominators.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { wayGraph } from '../model/way-graph.ts';

const tree = perModel((model) => {
    const { out, into } = wayGraph(model);
    return dominators(out, into, model.starts);
});

/** The nearest page that every path to a node leads through; -1 for none. */
export function dominator(model: GraphModel): Int32Array {
    return tree(model).nearest;
}

/** Pages that are reached through each node only. */
export function load(model: GraphModel): ArrayLike<number> {
    return loads(tree(model), Uint8Array.from(model.isPage));
}

/** The source of the one link without which a node would not be reached; -1 for none. */
export function heldBy(model: GraphModel): ArrayLike<number> {
    return bridges(wayGraph(model).into, tree(model), model.starts);
}
