import { describe, expect, it } from 'vitest';
import { levelRanges } from './level-ranges.ts';

describe('levels of a survey that runs', () => {
    it('stand alone while they are few', () => {
        expect(levelRanges([1, 20, 7], [1, 4])).toEqual([
            { from: 0, to: 0, read: 1, seen: 1 },
            { from: 1, to: 1, read: 4, seen: 20 },
            { from: 2, to: 2, read: 0, seen: 7 },
        ]);
        expect(levelRanges([], [])).toEqual([]);
        expect(levelRanges(new Array<number>(42).fill(1), [])).toHaveLength(42);
    });

    it('are some dozen however deep a chain is, and nothing is left out', () => {
        const seen = Array.from({ length: 70_000 }, (_, level) => (level % 3) + 1);
        const read = seen.slice(0, 50_000);
        const ranges = levelRanges(seen, read);
        expect(ranges.length).toBeLessThan(60);
        expect(ranges.slice(39, 42).map(({ from, to }) => [from, to])).toEqual([
            [39, 39],
            [40, 79],
            [80, 159],
        ]);
        expect(ranges.at(-1)!.to).toBe(69_999);
        const sum = (values: readonly number[]): number => values.reduce((all, own) => all + own, 0);
        expect(sum(ranges.map((range) => range.seen))).toBe(sum(seen));
        expect(sum(ranges.map((range) => range.read))).toBe(sum(read));
    });
});
