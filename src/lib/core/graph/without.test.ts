import { describe, expect, it } from 'vitest';
import { compressRows } from './rows.ts';
import { depths } from './depth.ts';
import { reversed } from './distinct.ts';
import { graph, randomGraphs, reachable, lehmer } from './graphs.fixture.ts';
import { childrenOf, lostWithout } from './without.ts';

describe('what is lost without some links', () => {
    it('is what can no longer be reached, on random graphs', () => {
        const next = lehmer(77);
        for (const { nodes, edges } of randomGraphs(400, 53)) {
            const removed = new Set(edges.filter(() => next(3) === 0).map(([from, to]) => `${from}>${to}`));
            const stays = (from: number, to: number): boolean => !removed.has(`${from}>${to}`);
            const plain = edges.filter(([from, to]) => from !== to);
            const clicks = compressRows(
                nodes,
                plain.map(([from]) => from),
                plain.map(([, to]) => to),
            );
            const found = depths(clicks, compressRows(nodes, [], []), [0]);
            const entered = [...found.parent.keys()].filter(
                (node) => found.parent[node] !== -1 && !stays(found.parent[node]!, node),
            );
            const lost = lostWithout(reversed(graph(nodes, edges)), found.depth, childrenOf(found), entered, stays);
            const left = reachable(
                nodes,
                plain.filter(([from, to]) => stays(from, to)),
                [0],
            );
            const wanted = [...reachable(nodes, plain, [0])].filter((node) => !left.has(node));
            expect(lost.sort((a, b) => a - b)).toEqual(wanted.sort((a, b) => a - b));
        }
    });
});
