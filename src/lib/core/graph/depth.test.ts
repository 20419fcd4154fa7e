import { describe, expect, it } from 'vitest';
import { depths, pathTo, UNREACHED } from './depth.ts';
import { compressRows } from './rows.ts';

type Edge = [number, number];

function rows(nodes: number, edges: Edge[]) {
    return compressRows(
        nodes,
        edges.map(([from]) => from),
        edges.map(([, to]) => to),
    );
}

function find(nodes: number, clicks: Edge[], free: Edge[] = [], starts = [0]) {
    return depths(rows(nodes, clicks), rows(nodes, free), starts);
}

describe('compressRows', () => {
    it('keeps the neighbours of each node in the order given, with their edge numbers', () => {
        const packed = rows(4, [
            [2, 0],
            [0, 1],
            [2, 3],
            [0, 2],
        ]);
        expect([...packed.start]).toEqual([0, 2, 2, 4, 4]);
        expect([...packed.targets]).toEqual([1, 2, 0, 3]);
        expect([...packed.edges]).toEqual([1, 3, 0, 2]);
    });
});

describe('depths', () => {
    it('counts clicks, and nothing for redirects', () => {
        // 0 -> 1 -> 2 by links; 1 redirects to 3, 3 links to 4; 5 is reached by nothing.
        const found = find(
            6,
            [
                [0, 1],
                [1, 2],
                [3, 4],
            ],
            [[1, 3]],
        );
        expect([...found.depth]).toEqual([0, 1, 2, 1, 2, UNREACHED]);
        expect(pathTo(found, 4)).toEqual([0, 1, 3, 4]);
        expect(pathTo(found, 5)).toEqual([]);
        expect(found.enteredBy[4]).toBe(2);
    });

    it('takes a chain of redirects for no click at all, and survives a loop', () => {
        const found = find(
            4,
            [],
            [
                [0, 1],
                [1, 2],
                [2, 0],
                [2, 3],
            ],
        );
        expect([...found.depth]).toEqual([0, 0, 0, 0]);
    });

    it('takes several starts', () => {
        expect([
            ...find(
                4,
                [
                    [0, 2],
                    [1, 3],
                    [3, 2],
                ],
                [],
                [0, 1],
            ).depth,
        ]).toEqual([0, 0, 1, 1]);
    });

    it('agrees with relaxing all edges until nothing changes, on random graphs', () => {
        let state = 5;
        const next = (below: number): number => (state = (state * 48271) % 2147483647) % below;
        for (let round = 0; round < 200; round++) {
            const nodes = 2 + next(20);
            const edges = (count: number): Edge[] =>
                Array.from({ length: next(count) }, () => [next(nodes), next(nodes)]);
            const clicks = edges(40);
            const free = edges(8);
            const slow = new Array<number>(nodes).fill(Infinity);
            slow[0] = 0;
            for (let pass = 0; pass < nodes + 1; pass++) {
                for (const [from, to] of clicks) slow[to] = Math.min(slow[to]!, slow[from]! + 1);
                for (const [from, to] of free) slow[to] = Math.min(slow[to]!, slow[from]!);
            }
            const found = find(nodes, clicks, free);
            expect([...found.depth]).toEqual(slow.map((value) => (value === Infinity ? UNREACHED : value)));
            for (let node = 0; node < nodes; node++) {
                const path = pathTo(found, node);
                // Each step of a path is an edge of the graph, and its clicks add up to the depth.
                let clicked = 0;
                for (let at = 1; at < path.length; at++) {
                    const step = ([from, to]: Edge): boolean => from === path[at - 1] && to === path[at];
                    const isFree = found.depth[path[at]!] === found.depth[path[at - 1]!];
                    expect((isFree ? free : clicks).some(step)).toBe(true);
                    if (!isFree) clicked++;
                }
                if (path.length > 0) expect(clicked).toBe(found.depth[node]);
            }
        }
    });
});
