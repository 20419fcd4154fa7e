import { describe, expect, it } from 'vitest';
import { linksOf, reversed } from './distinct.ts';
import { randomGraphs } from './graphs.fixture.ts';

describe('distinct links', () => {
    it('count parallel links once and drop self links', () => {
        const links = linksOf(3, [2, 0, 2, 1, 2, 0], [0, 1, 0, 1, 1, 2]);
        expect([...links.start]).toEqual([0, 2, 2, 4]);
        expect([...links.targets]).toEqual([1, 2, 0, 1]);
    });

    it('read from the other end are the same links', () => {
        for (const { nodes, edges } of randomGraphs(200, 3)) {
            const from = edges.map(([source]) => source);
            const to = edges.map(([, target]) => target);
            const back = reversed(linksOf(nodes, from, to));
            const told: string[] = [];
            for (let node = 0; node < nodes; node++) {
                for (let slot = back.start[node]!; slot < back.start[node + 1]!; slot++)
                    told.push(`${back.targets[slot]}>${node}`);
            }
            const wanted = new Set(edges.filter(([a, b]) => a !== b).map(([a, b]) => `${a}>${b}`));
            expect(told.sort()).toEqual([...wanted].sort());
        }
    });
});
