/** What would not be reached if some links were not there: for templates, whose links stand on many pages. */
import type { Links } from './distinct.ts';
import type { Depths } from './depth.ts';
import { UNREACHED } from './depth.ts';
import { compressRows } from './rows.ts';

/** The tree of shortest paths, downwards: the nodes entered from each. O(nodes). */
export function childrenOf({ parent }: Pick<Depths, 'parent'>): Links {
    const below: number[] = [];
    for (let node = 0; node < parent.length; node++) if (parent[node] !== -1) below.push(node);
    const { start, targets } = compressRows(
        parent.length,
        below.map((node) => parent[node]!),
        below,
    );
    return { nodes: parent.length, start, targets };
}

/**
 * Nodes that are reached, and would not be without some of the links. Only what hangs below a removed link in the tree
 * of shortest paths can be lost: of that, what has another link from outside is kept, and what follows from it.
 * O(the part below, and links into it).
 * @param children the tree of shortest paths with all links
 * @param entered nodes whose shortest path ends with a link that is removed
 * @param holds tells whether the link from one node to another stays
 */
export function lostWithout(
    into: Links,
    depth: ArrayLike<number>,
    children: Links,
    entered: readonly number[],
    holds: (from: number, to: number) => boolean,
): number[] {
    const inDoubt = new Set<number>();
    const doubted: number[] = [];
    const doubt = (node: number): void => {
        if (inDoubt.has(node)) return;
        inDoubt.add(node);
        doubted.push(node);
    };
    for (const node of entered) doubt(node);
    for (let at = 0; at < doubted.length; at++) {
        const node = doubted[at]!;
        for (let slot = children.start[node]!; slot < children.start[node + 1]!; slot++) doubt(children.targets[slot]!);
    }
    const queue: number[] = [];
    const waiting = new Map<number, number[]>();
    for (const node of doubted) {
        let kept = false;
        for (let slot = into.start[node]!; slot < into.start[node + 1]!; slot++) {
            const source = into.targets[slot]!;
            if (depth[source] === UNREACHED || !holds(source, node)) continue;
            if (!inDoubt.has(source)) kept = true;
            else {
                const behind = waiting.get(source);
                if (behind) behind.push(node);
                else waiting.set(source, [node]);
            }
        }
        if (kept) queue.push(node);
    }
    for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
        if (!inDoubt.delete(node)) continue;
        for (const behind of waiting.get(node) ?? []) if (inDoubt.has(behind)) queue.push(behind);
    }
    return doubted.filter((node) => inDoubt.has(node));
}
