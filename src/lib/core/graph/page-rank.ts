/**
 * Internal PageRank (Brin and Page 1998): the share of time a walk spends on each page that follows a link with
 * probability 0.85 and else goes to any page, dangling pages leading anywhere.
 */
import type { Links } from './distinct.ts';

export interface RankOptions {
    /** Probability of following a link. */
    damping?: number;
    /** L1 change between two sweeps at which the walk counts as settled. Below 1e-12 it never does. */
    tolerance?: number;
    /** A rank to begin with; evenly spread when left out. */
    from?: Float64Array;
}

export interface Ranks {
    /** One for each node, summing to 1. */
    rank: Float64Array;
    sweeps: number;
    /** L1 change of the last sweep. */
    change: number;
}

/** Probability that a walk follows a link. */
export const DAMPING = 0.85;
const MOST_SWEEPS = 1_000;

/**
 * Gauss-Seidel, each sweep with the dangling mass as it stands and a rescaling to 1 behind it: without that, what
 * dangling pages give back leaves a slow mode, and four times as many sweeps are needed. O(sweeps x (nodes + links)).
 * @param into distinct links by target, without self links
 * @param outgoing number of distinct links of each node; 0 for dangling ones
 */
export function pageRank(into: Links, outgoing: Uint32Array, options: RankOptions = {}): Ranks {
    const { nodes, start, targets } = into;
    const damping = options.damping ?? DAMPING;
    const tolerance = Math.max(1e-12, options.tolerance ?? 1e-10);
    const rank = options.from ? options.from.slice() : new Float64Array(nodes).fill(1 / Math.max(1, nodes));
    if (nodes === 0) return { rank, sweeps: 0, change: 0 };
    /** What each link of a node carries; rank / outgoing. */
    const carried = new Float64Array(nodes);
    const perLink = new Float64Array(nodes);
    for (let node = 0; node < nodes; node++) {
        perLink[node] = outgoing[node] === 0 ? 0 : 1 / outgoing[node]!;
        carried[node] = rank[node]! * perLink[node]!;
    }
    let sweeps = 0;
    let change = Infinity;
    while (change >= tolerance && sweeps < MOST_SWEEPS) {
        let dangling = 0;
        for (let node = 0; node < nodes; node++) if (outgoing[node] === 0) dangling += rank[node]!;
        const base = (1 - damping + damping * dangling) / nodes;
        let sum = 0;
        change = 0;
        let slot = 0;
        for (let node = 0; node < nodes; node++) {
            // Four sums side by side: an addition need not wait for the one before it.
            let first = 0;
            let second = 0;
            let third = 0;
            let fourth = 0;
            const end = start[node + 1]!;
            for (; slot + 3 < end; slot += 4) {
                first += carried[targets[slot]!]!;
                second += carried[targets[slot + 1]!]!;
                third += carried[targets[slot + 2]!]!;
                fourth += carried[targets[slot + 3]!]!;
            }
            for (; slot < end; slot++) first += carried[targets[slot]!]!;
            const value = base + damping * (first + second + (third + fourth));
            change += Math.abs(value - rank[node]!);
            rank[node] = value;
            carried[node] = value * perLink[node]!;
            sum += value;
        }
        const scale = 1 / sum;
        for (let node = 0; node < nodes; node++) {
            rank[node]! *= scale;
            carried[node]! *= scale;
        }
        // The rescaling moves every rank once more.
        change += Math.abs(1 - scale);
        sweeps++;
    }
    return { rank, sweeps, change };
}

/** Number of neighbours of each node. */
export function degrees(links: Links): Uint32Array {
    const counts = new Uint32Array(links.nodes);
    for (let node = 0; node < links.nodes; node++) counts[node] = links.start[node + 1]! - links.start[node]!;
    return counts;
}
