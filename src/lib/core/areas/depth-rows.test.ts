import { describe, expect, it } from 'vitest';
import { depthRows, sameRows } from './depth-rows.ts';

const bands = (length: number) =>
    Array.from({ length }, (_, depth) => ({ depth, pages: depth + 1, indexable: depth % 2 }));

describe('depths as rows', () => {
    it('stand alone where they are few', () => {
        for (const length of [0, 1, 10, 12]) {
            expect(depthRows(bands(length), 10).map(({ from, to }) => [from, to])).toEqual(
                bands(length).map(({ depth }) => [depth, depth]),
            );
        }
    });

    it('are put together further down, each range as long as all above it', () => {
        const rows = depthRows(bands(46), 10);
        expect(rows.slice(9).map(({ from, to }) => [from, to])).toEqual([
            [9, 9],
            [10, 19],
            [20, 39],
            [40, 45],
        ]);
        // 11 + 12 + … + 20 pages, every second depth has an indexable one.
        expect(rows[10]).toMatchObject({ pages: 155, indexable: 5 });
    });

    it('leave nothing out, however long the chain', () => {
        const deep = bands(70_001);
        const rows = depthRows(deep, 20);
        expect(rows.length).toBeLessThan(36);
        expect(rows.at(-1)!.to).toBe(70_000);
        rows.forEach((row, index) => expect(row.from).toBe(index === 0 ? 0 : rows[index - 1]!.to + 1));
        const sum = (of: { pages: number }[]): number => of.reduce((total, { pages }) => total + pages, 0);
        expect(sum(rows)).toBe(sum(deep));
    });

    it('are the same for a set that reaches less deep', () => {
        const rows = depthRows(bands(46), 10);
        const own = sameRows(bands(12), rows);
        expect(own.map(({ pages }) => pages).slice(9)).toEqual([10, 11 + 12, 0, 0]);
    });
});
