/** Pages that one template alone leads to (`docs/measures.md`, "Templates"). */
import { STAYS, WithoutLabel } from '../graph/without.ts';
import { LINK_KINDS } from '../page/links.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { wayGraph } from '../model/way-graph.ts';
import type { NumberColumn } from '../number-column.ts';
import { blockTemplates } from './templates.ts';
import { ways } from './ways.ts';

const A = LINK_KINDS.indexOf('a');

/** Templates of which it is asked what would be lost without them: those on most pages. */
const MOST_TEMPLATES = 300;

/**
 * What the question needs: the graph, each of its links labelled with the template that alone holds it.
 * @param blockTemplate number of the template of each block, -1 for none
 * @param depth, parent of the tree of shortest paths
 * O(nodes + link occurrences).
 */
export function withoutTemplates(
    model: GraphModel,
    blockTemplate: NumberColumn,
    depth: ArrayLike<number>,
    parent: ArrayLike<number>,
): WithoutLabel {
    const { out } = wayGraph(model);
    return new WithoutLabel(out, soleTemplates(model, blockTemplate), depth, parent);
}

/** By link of the graph: the template all of whose occurrences are in, or `STAYS`. */
function soleTemplates(model: GraphModel, blockTemplate: NumberColumn): Int32Array {
    const { count, pageStart, pageBlocks, blockList, listStart, target, kind, redirect, refresh } = model;
    const { start, targets } = wayGraph(model).out;
    const labels = new Int32Array(targets.length).fill(STAYS);
    const seen = new Int32Array(count).fill(-1);
    const templateOf = new Int32Array(count);
    for (let node = 0; node < count; node++) {
        if (start[node] === start[node + 1]) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const template = blockTemplate[block]!;
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to < 0 || to >= count) continue;
                if (seen[to] !== node) {
                    seen[to] = node;
                    templateOf[to] = template;
                } else if (templateOf[to] !== template) templateOf[to] = STAYS;
            }
        }
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            const to = targets[slot]!;
            // What a redirect leads to stays, whatever links there.
            if (seen[to] === node && redirect[node] !== to && refresh[node] !== to) labels[slot] = templateOf[to]!;
        }
    }
    return labels;
}

/** Of each template, how many reached pages would not be reached without it. O(links below each, and into that). */
export const templateHolds = perModel((model: GraphModel): Uint32Array => {
    const { templates, of } = blockTemplates(model);
    const { depth, parent } = ways(model);
    const without = withoutTemplates(model, of, depth, parent);
    const holds = new Uint32Array(templates.length);
    for (let number = 0; number < Math.min(templates.length, MOST_TEMPLATES); number++) {
        for (const node of without.lost(number)) holds[number]! += model.isPage[node]!;
    }
    return holds;
});
