/**
 * Dominators: node `d` dominates `n` when every path from the starts to `n` runs through `d`. Semi-NCA (Georgiadis,
 * Tarjan and Werneck 2006, "Finding dominators in practice"), without recursion: sites have chains of 70,000 pages.
 */
import type { Links } from './distinct.ts';

export interface Dominators {
    /** The nearest strict dominator; -1 for starts, for nodes that only the starts together hold, and for unreached ones. */
    nearest: Int32Array;
    /** Reached nodes, each after its dominators. */
    order: Uint32Array;
}

/**
 * @param into the same links as `out`, from the other end
 * @param starts where paths begin; several hang from one root that is no node. O((nodes + links) log nodes) at worst,
 * nearly linear on sites
 */
export function dominators(out: Links, into: Links, starts: ArrayLike<number>): Dominators {
    const { nodes, start, targets } = out;
    // Numbers by depth-first preorder from the root, which has number 0.
    const numberOf = new Int32Array(nodes);
    const nodeOf = new Int32Array(nodes + 1).fill(-1);
    const parent = new Int32Array(nodes + 1);
    let count = 1;
    {
        const slotOf = new Uint32Array(nodes);
        const path = new Int32Array(nodes + 1);
        for (let index = 0; index < starts.length; index++) {
            const first = starts[index]!;
            if (numberOf[first] !== 0) continue;
            numberOf[first] = count;
            nodeOf[count] = first;
            parent[count++] = 0;
            slotOf[first] = start[first]!;
            let depth = 0;
            path[0] = first;
            while (depth >= 0) {
                const node = path[depth]!;
                const end = start[node + 1]!;
                let slot = slotOf[node]!;
                while (slot < end && numberOf[targets[slot]!] !== 0) slot++;
                if (slot === end) {
                    depth--;
                    continue;
                }
                const target = targets[slot]!;
                slotOf[node] = slot + 1;
                numberOf[target] = count;
                nodeOf[count] = target;
                parent[count++] = numberOf[node]!;
                slotOf[target] = start[target]!;
                path[++depth] = target;
            }
        }
    }

    const semi = new Int32Array(count);
    const label = new Int32Array(count);
    const ancestor = parent.slice(0, count);
    for (let at = 0; at < count; at++) semi[at] = label[at] = at;
    const isStart = new Uint8Array(count);
    for (let index = 0; index < starts.length; index++) isStart[numberOf[starts[index]!]!] = 1;
    const stack = new Int32Array(count);

    for (let at = count - 1; at > 0; at--) {
        if (isStart[at] === 1) {
            semi[at] = 0;
            label[at] = 0;
            continue;
        }
        const node = nodeOf[at]!;
        let best = parent[at]!;
        const end = into.start[node + 1]!;
        for (let slot = into.start[node]!; slot < end; slot++) {
            const source = numberOf[into.targets[slot]!]!;
            if (source === 0) continue;
            let found = source;
            if (source > at) {
                // The smallest label on the path up to what has been worked, with the path shortened on the way.
                let length = 0;
                let up = source;
                while (ancestor[up]! > at) {
                    stack[length++] = up;
                    up = ancestor[up]!;
                }
                let smallest = label[up]!;
                const top = ancestor[up]!;
                while (length > 0) {
                    const lower = stack[--length]!;
                    if (label[lower]! < smallest) smallest = label[lower]!;
                    else label[lower] = smallest;
                    ancestor[lower] = top;
                }
                found = smallest;
            }
            if (found < best) best = found;
        }
        semi[at] = best;
        label[at] = best;
    }
    // The nearest dominator: up the tree of nearest dominators until the semidominator is passed.
    const nearestNumber = parent.slice(0, count);
    for (let at = 1; at < count; at++) {
        let up = nearestNumber[at]!;
        while (up > semi[at]!) up = nearestNumber[up]!;
        nearestNumber[at] = up;
    }
    const nearest = new Int32Array(nodes).fill(-1);
    const order = new Uint32Array(count - 1);
    for (let at = 1; at < count; at++) {
        order[at - 1] = nodeOf[at]!;
        nearest[nodeOf[at]!] = nodeOf[nearestNumber[at]!]!;
    }
    return { nearest, order };
}

/**
 * Load of each node: how many counted nodes it strictly dominates. O(nodes).
 * @param counts 1 for nodes to be counted (pages read), 0 for others (redirects)
 */
export function loads(found: Dominators, counts: Uint8Array): Uint32Array {
    const load = new Uint32Array(counts.length);
    for (let at = found.order.length - 1; at >= 0; at--) {
        const node = found.order[at]!;
        const above = found.nearest[node]!;
        if (above !== -1) load[above]! += load[node]! + counts[node]!;
    }
    return load;
}

/**
 * Links that alone hold a page: without the link, its target would not be reached. Such a link comes from the target's
 * nearest dominator, and whatever else links to the target stands behind the target itself. O(nodes + links).
 * @returns for each node the source of the link that alone holds it, or -1
 */
export function bridges(into: Links, found: Dominators, starts: ArrayLike<number>): Int32Array {
    const { nodes } = into;
    const source = new Int32Array(nodes).fill(-1);
    const { enter, leave } = intervals(found, nodes);
    const isStart = new Uint8Array(nodes);
    for (let index = 0; index < starts.length; index++) isStart[starts[index]!] = 1;
    for (let at = 0; at < found.order.length; at++) {
        const node = found.order[at]!;
        if (isStart[node] === 1) continue;
        let only = -1;
        let holds = true;
        for (let slot = into.start[node]!; slot < into.start[node + 1]!; slot++) {
            const other = into.targets[slot]!;
            if (enter[other] === 0) continue;
            if (enter[other]! >= enter[node]! && leave[other]! <= leave[node]!) continue;
            if (only !== -1) {
                holds = false;
                break;
            }
            only = other;
        }
        if (holds) source[node] = only;
    }
    return source;
}

/**
 * Intervals of the dominator tree: `a` dominates `b` when `enter[a] <= enter[b]` and `leave[b] <= leave[a]`. `enter` is
 * 0 for unreached nodes. O(nodes).
 */
export function intervals(found: Dominators, nodes: number): { enter: Uint32Array; leave: Uint32Array } {
    const size = new Uint32Array(nodes).fill(1);
    for (let at = found.order.length - 1; at >= 0; at--) {
        const node = found.order[at]!;
        const above = found.nearest[node]!;
        if (above !== -1) size[above]! += size[node]!;
    }
    const enter = new Uint32Array(nodes);
    const leave = new Uint32Array(nodes);
    // Each node takes the next free stretch of its dominator.
    const free = new Uint32Array(nodes);
    let next = 1;
    for (let at = 0; at < found.order.length; at++) {
        const node = found.order[at]!;
        const above = found.nearest[node]!;
        let from: number;
        if (above === -1) {
            from = next;
            next += size[node]!;
        } else {
            from = free[above]!;
            free[above] = from + size[node]!;
        }
        enter[node] = from;
        leave[node] = from + size[node]! - 1;
        free[node] = from + 1;
    }
    return { enter, leave };
}
