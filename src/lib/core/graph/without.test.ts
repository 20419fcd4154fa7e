import { describe, expect, it } from 'vitest';
import { compressRows } from './rows.ts';
import { depths } from './depth.ts';
import { reversed } from './distinct.ts';
import { graph, randomGraphs, reachable, lehmer } from './graphs.fixture.ts';
import { lostWithout } from './without.ts';

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
            const byDepth = [...found.depth.keys()]
                .filter((node) => found.depth[node] !== -1)
                .sort((a, b) => found.depth[a]! - found.depth[b]!);
            const lost = lostWithout(
                reversed(graph(nodes, edges)),
                found,
                byDepth,
                (node) => !stays(found.parent[node]!, node),
                stays,
            );
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
