import { describe, expect, it } from 'vitest';
import { compressRows } from './rows.ts';
import { depths } from './depth.ts';
import { graph, randomGraphs, reachable, lehmer } from './graphs.fixture.ts';
import { STAYS, WithoutLabel } from './without.ts';

describe('what is lost without the links of a label', () => {
    it('is what can no longer be reached, label by label, on random graphs', () => {
        const next = lehmer(77);
        for (const { nodes, edges } of randomGraphs(400, 53)) {
            const labelOf = new Map(edges.map(([from, to]) => [`${from}>${to}`, next(4) - 1]));
            const plain = edges.filter(([from, to]) => from !== to);
            const clicks = compressRows(
                nodes,
                plain.map(([from]) => from),
                plain.map(([, to]) => to),
            );
            const { depth, parent } = depths(clicks, compressRows(nodes, [], []), [0]);
            const out = graph(nodes, edges);
            const labels = new Int32Array(out.targets.length);
            for (let node = 0; node < nodes; node++) {
                for (let slot = out.start[node]!; slot < out.start[node + 1]!; slot++) {
                    labels[slot] = labelOf.get(`${node}>${out.targets[slot]}`)!;
                }
            }
            const without = new WithoutLabel(out, labels, depth, parent);
            const all = [...reachable(nodes, plain, [0])];
            // Twice: nothing of one question stays for the next.
            for (const label of [0, 1, 2, 0]) {
                const stays = plain.filter(([from, to]) => labelOf.get(`${from}>${to}`) !== label);
                const left = reachable(nodes, stays, [0]);
                const wanted = all.filter((node) => !left.has(node));
                expect(without.lost(label).sort((a, b) => a - b)).toEqual(wanted.sort((a, b) => a - b));
            }
        }
    });

    it('takes nothing away for a label that no link has', () => {
        const out = graph(2, [[0, 1]]);
        const without = new WithoutLabel(out, Int32Array.of(STAYS), [0, 1], [-1, 0]);
        expect(without.lost(0)).toEqual([]);
    });
});
