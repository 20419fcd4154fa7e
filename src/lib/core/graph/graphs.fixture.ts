/** Graphs for the tests: random ones with a seed, and the shapes that break careless algorithms. */
import { linksOf, type Links } from './distinct.ts';

export type Edge = [number, number];

export function graph(nodes: number, edges: readonly Edge[]): Links {
    return linksOf(
        nodes,
        edges.map(([from]) => from),
        edges.map(([, to]) => to),
    );
}

/** Numbers that look random and are the same in every run (Lehmer's generator). */
export function lehmer(seed: number): (below: number) => number {
    let state = seed;
    return (below) => (state = (state * 48271) % 2147483647) % below;
}

export function* randomGraphs(rounds: number, seed: number): Generator<{ nodes: number; edges: Edge[] }> {
    const next = lehmer(seed);
    for (let round = 0; round < rounds; round++) {
        const nodes = 1 + next(14);
        const edges = Array.from({ length: next(3 * nodes) }, (): Edge => [next(nodes), next(nodes)]);
        yield { nodes, edges };
    }
}

/** What can be reached from some nodes when one node or one link is not there: the obvious way. */
export function reachable(nodes: number, edges: readonly Edge[], starts: number[], without = -1): Set<number> {
    const found = new Set(starts.filter((node) => node !== without));
    for (let grew = true; grew;) {
        grew = false;
        for (const [from, to] of edges) {
            if (found.has(from) && !found.has(to) && to !== without) {
                found.add(to);
                grew = true;
            }
        }
    }
    void nodes;
    return found;
}

/** 0 -> 1 -> 2 -> …, and each a link back to the one before: a list of so many pages. */
export function chain(nodes: number): Links {
    const from = new Uint32Array(2 * (nodes - 1));
    const to = new Uint32Array(from.length);
    for (let node = 1; node < nodes; node++) {
        from[2 * node - 2] = node - 1;
        to[2 * node - 2] = node;
        from[2 * node - 1] = node;
        to[2 * node - 1] = node - 1;
    }
    return linksOf(nodes, from, to);
}
