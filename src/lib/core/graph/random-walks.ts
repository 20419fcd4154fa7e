/**
 * Random walks over a link graph: from the start, at each click one of the distinct links of the page, each as likely;
 * now and then, and from where no link leads on, the walk begins again. The same seed gives the same walks.
 */
import type { Links } from './distinct.ts';

/** Probability of beginning again at each click (Brin and Page 1998: one less their damping). */
export const AGAIN = 0.15;

export interface Walks {
    /** Nodes where walks begin. */
    starts: ArrayLike<number>;
    walks: number;
    /** Clicks of each walk. */
    clicks: number;
    seed: number;
    /** Begins again anywhere instead of at a start: then the share of visits tends to PageRank. */
    anywhere?: boolean;
    /** A node of which it is told when walks come there. */
    goal?: number;
}

export interface Walked {
    /** How often walks stood on each node, where they begin included. */
    visits: Float64Array;
    /** How often a walk could go no further from each node. */
    stuck: Uint32Array;
    /** Clicks after which each walk was at the goal for the first time; walks that never came are left out. */
    met: Uint32Array;
}

/** O(walks x clicks) */
export function randomWalks(links: Links, { starts, walks, clicks, seed, anywhere = false, goal = -1 }: Walks): Walked {
    const { nodes, start, targets } = links;
    const visits = new Float64Array(nodes);
    const stuck = new Uint32Array(nodes);
    const met: number[] = [];
    const next = seededNumbers(seed);
    if (nodes === 0 || starts.length === 0) return { visits, stuck, met: Uint32Array.from(met) };
    const begin = (): number => (anywhere ? Math.floor(next() * nodes) : starts[Math.floor(next() * starts.length)]!);
    for (let walk = 0; walk < walks; walk++) {
        let at = begin();
        let isMet = at === goal;
        if (isMet) met.push(0);
        visits[at]!++;
        for (let click = 1; click <= clicks; click++) {
            const [from, to] = [start[at]!, start[at + 1]!];
            if (from === to) {
                stuck[at]!++;
                at = begin();
            } else if (next() < AGAIN) at = begin();
            else at = targets[from + Math.floor(next() * (to - from))]!;
            visits[at]!++;
            if (!isMet && at === goal) {
                isMet = true;
                met.push(click);
            }
        }
    }
    return { visits, stuck, met: Uint32Array.from(met) };
}

/** Numbers from 0 up to 1, the same for the same seed: xorshift of 32 bits (Marsaglia 2003), which is never at zero. */
export function seededNumbers(seed: number): () => number {
    // A seed of few bits would begin with small numbers: it is spread over all of them first (Knuth's golden ratio).
    let state = Math.imul(seed | 0, 0x9e3779b1) ^ 0x5bd1e995 || 1;
    return () => {
        state ^= state << 13;
        state ^= state >>> 17;
        state ^= state << 5;
        return (state >>> 0) / 0x1_0000_0000;
    };
}
