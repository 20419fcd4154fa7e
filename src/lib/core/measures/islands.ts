/** Islands: groups of two or more orphans that links hold together (`docs/measures.md`, "Orphans"). */
import { weakComponents } from '../graph/components.ts';
import { linksOf } from '../graph/distinct.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { wayGraph } from '../model/way-graph.ts';
import { ORPHAN, orphans } from './orphans.ts';

/** Weak components of orphans among themselves, two or more, numbered by size; -1 for none. O(nodes + links). */
export function islands(model: GraphModel): Int32Array {
    const { out } = wayGraph(model);
    const orphan = orphans(model);
    const isOrphan = (node: number): boolean => orphan[node] === ORPHAN.strict || orphan[node] === ORPHAN.adrift;
    const from: number[] = [];
    const to: number[] = [];
    for (let node = 0; node < out.nodes; node++) {
        if (!isOrphan(node)) continue;
        for (let slot = out.start[node]!; slot < out.start[node + 1]!; slot++) {
            if (!isOrphan(out.targets[slot]!)) continue;
            from.push(node);
            to.push(out.targets[slot]!);
        }
    }
    const component = weakComponents(linksOf(out.nodes, from, to), []).of;
    const size = new Map<number, number>();
    for (let node = 0; node < component.length; node++) {
        if (isOrphan(node)) size.set(component[node]!, (size.get(component[node]!) ?? 0) + 1);
    }
    const largest = [...size].filter(([, pages]) => pages > 1).sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    const number = new Map(largest.map(([group], index) => [group, index]));
    return Int32Array.from(component, (group, node) => (isOrphan(node) ? (number.get(group) ?? -1) : -1));
}
