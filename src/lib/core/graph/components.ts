/** Strong and weak components. Both take what one search from the start page tells as a short cut. */
import type { Links } from './distinct.ts';

/** Nodes that can be reached from any of the starts: 1, else 0; with the order in which they were reached. */
export function reachedFrom(out: Links, starts: ArrayLike<number>): { reached: Uint8Array; order: Uint32Array } {
    const { nodes, start, targets } = out;
    const reached = new Uint8Array(nodes);
    const queue = new Uint32Array(nodes);
    let length = 0;
    for (let index = 0; index < starts.length; index++) {
        const node = starts[index]!;
        if (reached[node] === 0) {
            reached[node] = 1;
            queue[length++] = node;
        }
    }
    for (let at = 0; at < length; at++) {
        const node = queue[at]!;
        const end = start[node + 1]!;
        for (let slot = start[node]!; slot < end; slot++) {
            const target = targets[slot]!;
            if (reached[target] !== 0) continue;
            reached[target] = 1;
            queue[length++] = target;
        }
    }
    return { reached, order: queue.slice(0, length) };
}

export interface Components {
    /** Number of each node's component; components are numbered by their smallest node, ascending. */
    of: Uint32Array;
    count: number;
}

/** Numbers components by their smallest node, so that any way of finding them gives the same numbers. */
function numbered(label: Int32Array): Components {
    const numbers = new Int32Array(label.length).fill(-1);
    const of = new Uint32Array(label.length);
    let count = 0;
    for (let node = 0; node < label.length; node++) {
        const group = label[node]!;
        if (numbers[group] === -1) numbers[group] = count++;
        of[node] = numbers[group]!;
    }
    return { of, count };
}

/**
 * Strong components. Most pages of a site link back to its start page by their menu: the component of `home` is found by
 * two searches from it, and Tarjan's algorithm (1972), without recursion, is left with the rest. O(nodes + links).
 * @param home the start page; -1 for none
 */
export function strongComponents(out: Links, into: Links, home: number): Components {
    const { nodes, start, targets } = out;
    /** The node that stands for the component; -1 as long as it is not known. */
    const label = new Int32Array(nodes).fill(-1);
    if (home >= 0) markHome(out, into, home, label);

    const index = new Int32Array(nodes).fill(-1);
    const low = new Int32Array(nodes);
    const slotOf = new Uint32Array(nodes);
    const open = new Int32Array(nodes);
    const path = new Int32Array(nodes);
    let openLength = 0;
    let next = 0;
    for (let root = 0; root < nodes; root++) {
        if (label[root] !== -1 || index[root] !== -1) continue;
        let depth = 0;
        path[0] = root;
        index[root] = low[root] = next++;
        slotOf[root] = start[root]!;
        open[openLength++] = root;
        while (depth >= 0) {
            const node = path[depth]!;
            const end = start[node + 1]!;
            let slot = slotOf[node]!;
            let isDown = false;
            while (slot < end) {
                const target = targets[slot++]!;
                if (label[target] !== -1) continue;
                if (index[target] === -1) {
                    slotOf[node] = slot;
                    index[target] = low[target] = next++;
                    slotOf[target] = start[target]!;
                    open[openLength++] = target;
                    path[++depth] = target;
                    isDown = true;
                    break;
                }
                if (index[target]! < low[node]!) low[node] = index[target]!;
            }
            if (isDown) continue;
            if (low[node] === index[node]) {
                let member: number;
                do {
                    member = open[--openLength]!;
                    label[member] = node;
                } while (member !== node);
            }
            depth--;
            if (depth >= 0) {
                const above = path[depth]!;
                if (low[node]! < low[above]!) low[above] = low[node]!;
            }
        }
    }
    return numbered(label);
}

/** Labels the component of `home`: what it reaches and what, of that, reaches it. */
function markHome(out: Links, into: Links, home: number, label: Int32Array): void {
    const { start, targets } = out;
    const { order } = reachedFrom(out, [home]);
    label[home] = home;
    let known = 1;
    // One look along each row, up to the first page that is known to lead back, tells it of most.
    const rest: number[] = [];
    for (let at = 1; at < order.length; at++) {
        const node = order[at]!;
        const end = start[node + 1]!;
        let leadsBack = false;
        for (let slot = start[node]!; slot < end; slot++) {
            if (label[targets[slot]!] === home) {
                leadsBack = true;
                break;
            }
        }
        if (leadsBack) {
            label[node] = home;
            known++;
        } else rest.push(node);
    }
    if (known === order.length) return;
    const isReached = new Uint8Array(out.nodes);
    for (const node of rest) isReached[node] = 1;
    // What is left joins when something it links to joins: backwards from whatever has just joined.
    const queue: number[] = [];
    for (const node of rest) {
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            if (label[targets[slot]!] !== home) continue;
            label[node] = home;
            queue.push(node);
            break;
        }
    }
    for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
        for (let slot = into.start[node]!; slot < into.start[node + 1]!; slot++) {
            const source = into.targets[slot]!;
            if (isReached[source] === 0 || label[source] === home) continue;
            label[source] = home;
            queue.push(source);
        }
    }
}

/**
 * Weak components, by union-find with path halving. What the start page reaches is one component from the outset, and
 * only rows of other nodes are looked at. O(nodes + links of unreached nodes), nearly.
 * @param reached what the start pages reach, in the order found
 */
export function weakComponents(out: Links, reached: ArrayLike<number>): Components {
    const { nodes, start, targets } = out;
    const parent = new Int32Array(nodes);
    for (let node = 0; node < nodes; node++) parent[node] = node;
    const isReached = new Uint8Array(nodes);
    for (let at = 0; at < reached.length; at++) {
        parent[reached[at]!] = reached[0]!;
        isReached[reached[at]!] = 1;
    }
    const rootOf = (node: number): number => {
        let at = node;
        while (parent[at] !== at) {
            parent[at] = parent[parent[at]!]!;
            at = parent[at]!;
        }
        return at;
    };
    for (let node = 0; node < nodes; node++) {
        if (isReached[node] === 1) continue;
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            const a = rootOf(node);
            const b = rootOf(targets[slot]!);
            if (a !== b) parent[Math.max(a, b)] = Math.min(a, b);
        }
    }
    const label = new Int32Array(nodes);
    for (let node = 0; node < nodes; node++) label[node] = rootOf(node);
    return numbered(label);
}
