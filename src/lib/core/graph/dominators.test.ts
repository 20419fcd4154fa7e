import { describe, expect, it } from 'vitest';
import { reversed } from './distinct.ts';
import { bridges, dominators, intervals, loads } from './dominators.ts';
import { chain, graph, randomGraphs, reachable, type Edge } from './graphs.fixture.ts';

/** By the definition: `d` dominates `n` when `n` is not reached without `d`. */
function strictDominators(nodes: number, edges: Edge[], starts: number[]): Set<number>[] {
    const all = reachable(nodes, edges, starts);
    const of = Array.from({ length: nodes }, () => new Set<number>());
    for (let d = 0; d < nodes; d++) {
        const left = reachable(nodes, edges, starts, d);
        for (const node of all) if (node !== d && !left.has(node)) of[node]!.add(d);
    }
    return of;
}

describe('dominators', () => {
    it('are what the definition says, with one start and with two, on random graphs', () => {
        for (const { nodes, edges } of randomGraphs(600, 23)) {
            for (const starts of [[0], [0, nodes - 1]]) {
                const out = graph(nodes, edges);
                const found = dominators(out, reversed(out), starts);
                const wanted = strictDominators(nodes, edges, starts);
                const told = Array.from({ length: nodes }, (_, node) => {
                    const above = new Set<number>();
                    for (let at = found.nearest[node]!; at !== -1; at = found.nearest[at]!) above.add(at);
                    return above;
                });
                expect(told).toEqual(wanted);
                expect(new Set(found.order)).toEqual(reachable(nodes, edges, starts));

                const { enter, leave } = intervals(found, nodes);
                for (let a = 0; a < nodes; a++) {
                    for (let b = 0; b < nodes; b++) {
                        if (a === b || enter[a] === 0 || enter[b] === 0) continue;
                        expect(enter[a]! <= enter[b]! && leave[b]! <= leave[a]!).toBe(wanted[b]!.has(a));
                    }
                }
                const counts = Uint8Array.from({ length: nodes }, (_, node) => node % 2);
                const behind = Array.from({ length: nodes }, (_, d) =>
                    wanted.reduce((sum, above, node) => sum + (above.has(d) ? counts[node]! : 0), 0),
                );
                expect([...loads(found, counts)]).toEqual(behind);
            }
        }
    });

    it('take chains of 70,000 pages that can be walked both ways', () => {
        const long = chain(70_000);
        const found = dominators(long, reversed(long), [0]);
        expect(found.nearest[69_999]).toBe(69_998);
        expect(loads(found, new Uint8Array(70_000).fill(1))[0]).toBe(69_999);
    });
});

describe('bridge links', () => {
    it('are those without which their target is not reached, on random graphs', () => {
        for (const { nodes, edges } of randomGraphs(400, 31)) {
            const out = graph(nodes, edges);
            const into = reversed(out);
            const told = [...bridges(into, dominators(out, into, [0]), [0])];
            const all = reachable(nodes, edges, [0]);
            const wanted = Array.from({ length: nodes }, (_, node) => {
                if (node === 0 || !all.has(node)) return -1;
                const sources = new Set(edges.filter(([a, b]) => b === node && a !== node).map(([a]) => a));
                for (const source of sources) {
                    const rest = edges.filter(([a, b]) => a !== source || b !== node);
                    if (!reachable(nodes, rest, [0]).has(node)) return source;
                }
                return -1;
            });
            expect(told).toEqual(wanted);
        }
    });
});
