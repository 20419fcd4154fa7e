import { describe, expect, it } from 'vitest';
import { reversed } from './distinct.ts';
import { bridges, dominators } from './dominators.ts';
import { graph, randomGraphs, reachable } from './graphs.fixture.ts';

describe('bridge links with several start pages', () => {
    it('hold no start page, which is reached without any link', () => {
        // 0 and 1 are starts; 0 links to 1, and that link holds nothing.
        const out = graph(3, [
            [0, 1],
            [1, 2],
        ]);
        const into = reversed(out);
        expect([...bridges(into, dominators(out, into, [0, 1]), [0, 1])]).toEqual([-1, -1, 1]);
        expect([...bridges(into, dominators(out, into, [0]), [0])]).toEqual([-1, 0, 1]);
    });

    it('are those without which their target is not reached, on random graphs', () => {
        for (const { nodes, edges } of randomGraphs(150, 77)) {
            const starts = [0, nodes - 1];
            const out = graph(nodes, edges);
            const into = reversed(out);
            const found = bridges(into, dominators(out, into, starts), starts);
            const all = reachable(nodes, edges, starts);
            for (let node = 0; node < nodes; node++) {
                const holding = edges
                    .filter(([, to]) => to === node)
                    .filter(([from]) => from !== node && all.has(from) && all.has(node))
                    .filter(([from]) => {
                        const without = edges.filter(([a, b]) => a !== from || b !== node);
                        return !reachable(nodes, without, starts).has(node);
                    })
                    .map(([from]) => from);
                expect(found[node]).toBe(holding[0] ?? -1);
            }
        }
    });
});
