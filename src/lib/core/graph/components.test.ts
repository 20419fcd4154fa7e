import { describe, expect, it } from 'vitest';
import { reachedFrom, strongComponents, weakComponents } from './components.ts';
import { reversed } from './distinct.ts';
import { chain, graph, randomGraphs, reachable, type Edge } from './graphs.fixture.ts';

/** Numbers groups by their smallest node. */
function groupsBy(nodes: number, same: (a: number, b: number) => boolean): number[] {
    const of: number[] = [];
    let count = 0;
    for (let node = 0; node < nodes; node++) {
        const other = of.findIndex((_, before) => same(before, node));
        of.push(other === -1 ? count++ : of[other]!);
    }
    return of;
}

describe('strong components', () => {
    it('are pages that lead to each other, with and without a start page, on random graphs', () => {
        for (const { nodes, edges } of randomGraphs(400, 11)) {
            const out = graph(nodes, edges);
            const reach = Array.from({ length: nodes }, (_, node) => reachable(nodes, edges, [node]));
            const wanted = groupsBy(nodes, (a, b) => reach[a]!.has(b) && reach[b]!.has(a));
            for (const home of [-1, 0, nodes - 1]) {
                expect([...strongComponents(out, reversed(out), home).of]).toEqual(wanted);
            }
        }
    });

    it('take one page, no links and a chain of 70,000 pages', () => {
        expect(strongComponents(graph(1, []), graph(1, []), 0).count).toBe(1);
        expect(strongComponents(graph(5, []), graph(5, []), 0).count).toBe(5);
        const long = chain(70_000);
        expect(strongComponents(long, reversed(long), 0).count).toBe(1);
        const forward = graph(
            70_000,
            Array.from({ length: 69_999 }, (_, node): Edge => [node, node + 1]),
        );
        expect(strongComponents(forward, reversed(forward), 0).count).toBe(70_000);
    });
});

describe('weak components', () => {
    it('are pages that links hold together in any direction, on random graphs', () => {
        for (const { nodes, edges } of randomGraphs(400, 17)) {
            const out = graph(nodes, edges);
            const both: Edge[] = [...edges, ...edges.map(([a, b]): Edge => [b, a])];
            const reach = Array.from({ length: nodes }, (_, node) => reachable(nodes, both, [node]));
            const wanted = groupsBy(nodes, (a, b) => reach[a]!.has(b));
            expect([...weakComponents(out, reachedFrom(out, [0]).order).of]).toEqual(wanted);
            expect([...weakComponents(out, []).of]).toEqual(wanted);
        }
    });
});
