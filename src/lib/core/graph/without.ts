/** What would not be reached if some links were not there: for templates, whose links stand on many pages. */
import type { Links } from './distinct.ts';
import type { Depths } from './depth.ts';
import { UNREACHED } from './depth.ts';

/**
 * Nodes that are reached, and would not be without some of the links. Only what hangs below a removed link in the tree
 * of shortest paths can be lost: of that, what has another link from outside is kept, and what follows from it.
 * O(nodes + links into the part looked at).
 * @param entersBy tells for a node whether the link its shortest path ends with is removed
 * @param holds tells whether the link from one node to another stays
 * @param found the tree of shortest paths with all links
 */
export function lostWithout(
    into: Links,
    found: Pick<Depths, 'depth' | 'parent'>,
    byDepth: ArrayLike<number>,
    entersBy: (node: number) => boolean,
    holds: (from: number, to: number) => boolean,
): number[] {
    const inDoubt = new Uint8Array(into.nodes);
    const doubted: number[] = [];
    for (let at = 0; at < byDepth.length; at++) {
        const node = byDepth[at]!;
        const above = found.parent[node]!;
        if (above === -1) continue;
        if (inDoubt[above] === 1 || entersBy(node)) {
            inDoubt[node] = 1;
            doubted.push(node);
        }
    }
    const queue: number[] = [];
    const waiting = new Map<number, number[]>();
    for (const node of doubted) {
        let kept = false;
        for (let slot = into.start[node]!; slot < into.start[node + 1]!; slot++) {
            const source = into.targets[slot]!;
            if (found.depth[source] === UNREACHED || !holds(source, node)) continue;
            if (inDoubt[source] === 0) kept = true;
            else {
                const behind = waiting.get(source);
                if (behind) behind.push(node);
                else waiting.set(source, [node]);
            }
        }
        if (kept) queue.push(node);
    }
    for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
        if (inDoubt[node] === 0) continue;
        inDoubt[node] = 0;
        queue.push(...(waiting.get(node) ?? []).filter((behind) => inDoubt[behind] === 1));
    }
    return doubted.filter((node) => inDoubt[node] === 1);
}
