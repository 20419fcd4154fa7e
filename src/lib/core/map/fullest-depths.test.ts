import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { fullestDepths } from './fullest-depths.ts';

const sum = (depths: readonly number[]): number => depths.reduce((all, own) => all + own, 0);

/** Every range of depths looked at, the narrowest first. */
function plain(depths: readonly number[]) {
    const all = sum(depths);
    for (let width = 1; all > 0 && width <= depths.length; width++) {
        const ranges = depths.flatMap((_, from) => {
            const pages = sum(depths.slice(from, from + width));
            return from + width <= depths.length && pages * 2 >= all ? [{ from, to: from + width - 1, pages }] : [];
        });
        ranges.sort((a, b) => b.pages - a.pages || a.from - b.from);
        if (ranges[0]) return ranges[0];
    }
    return null;
}

describe('the depths where most pages lie', () => {
    it('are as few side by side as hold half of them', () => {
        expect(fullestDepths([1, 21, 162, 244, 10], 438)).toEqual({ from: 3, to: 3, pages: 244 });
        expect(fullestDepths([1, 5, 5, 1, 1, 1], 14)).toEqual({ from: 1, to: 2, pages: 10 });
        expect(fullestDepths([1], 1)).toEqual({ from: 0, to: 0, pages: 1 });
        expect(fullestDepths([], 0)).toBeNull();
        expect(fullestDepths([0, 0], 0)).toBeNull();
    });

    it('are those that looking at every range finds', () => {
        const next = lehmer(20);
        for (let run = 0; run < 500; run++) {
            const depths = Array.from({ length: next(12) }, () => (next(3) === 0 ? 0 : next(9)));
            expect(fullestDepths(depths, sum(depths)), depths.join(' ')).toEqual(plain(depths));
        }
    });

    it('are found on a chain of 70,000 pages, where looking at every range would take days', () => {
        const chain = new Array<number>(70_000).fill(1);
        expect(fullestDepths(chain, 70_000)).toEqual({ from: 0, to: 34_999, pages: 35_000 });
    });
});
