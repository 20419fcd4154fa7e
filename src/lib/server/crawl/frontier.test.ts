import { describe, expect, it } from 'vitest';
import { Frontier, type Leads } from './frontier.ts';

/** A site as a table: where each URL leads. */
type Map_ = Record<number, Partial<Leads>>;

/** Works a frontier to its end, settling what is under way in the order that `pick` says. */
function crawl(
    site: Map_,
    options: { maxDepth?: number; others?: number[]; underWay?: number; pick?: (waiting: number) => number } = {},
) {
    const frontier = new Frontier(options.maxDepth ?? Infinity);
    frontier.start(0);
    for (const id of options.others ?? []) frontier.addOther(id);
    const order: [number, number][] = [];
    const waiting: { id: number; slot: number }[] = [];
    for (;;) {
        while (waiting.length < (options.underWay ?? 1)) {
            const next = frontier.next();
            if (!next) break;
            order.push([next.id, next.level]);
            waiting.push(next);
        }
        if (waiting.length === 0) break;
        const [done] = waiting.splice(options.pick?.(waiting.length) ?? 0, 1);
        frontier.settle(done!.slot, { clicks: [], free: [], others: [], ...site[done!.id] });
    }
    return { frontier, order };
}

const SITE: Map_ = {
    0: { clicks: [1, 2, 2, 3] },
    1: { clicks: [4, 0], others: [8] },
    2: { free: [5] },
    3: { clicks: [6, 4] },
    5: { clicks: [7], free: [9] },
    8: { clicks: [10] },
    10: { clicks: [1] },
};

describe('Frontier', () => {
    it('goes level by level, redirect targets within their level, other evidence after all links', () => {
        expect(crawl(SITE, { others: [11, 4] }).order).toEqual([
            [0, 0],
            [1, 1],
            [2, 1],
            [3, 1],
            [5, 1],
            [9, 1],
            [4, 2],
            [6, 2],
            [7, 2],
            [11, -1],
            [8, -1],
            [10, -1],
        ]);
    });

    it('takes the same way whatever answers first', () => {
        const steady = crawl(SITE, { others: [11] }).order;
        let state = 3;
        for (let round = 0; round < 100; round++) {
            const pick = (waiting: number): number => (state = (state * 48271) % 2147483647) % waiting;
            expect(crawl(SITE, { others: [11], underWay: 1 + (round % 5), pick }).order).toEqual(steady);
        }
    });

    it('reads nothing deeper than the limit, says so, and leaves other evidence unread then', () => {
        const { frontier, order } = crawl(SITE, { maxDepth: 1, others: [11] });
        expect(order.map(([id]) => id)).toEqual([0, 1, 2, 3, 5, 9]);
        expect(frontier.cutByDepth).toBe(true);
        expect(frontier.unsettled().sort((a, b) => a - b)).toEqual([4, 6, 7, 8, 11]);
    });

    it('is not cut by a limit that nothing lies beyond', () => {
        const { frontier, order } = crawl(SITE, { maxDepth: 2, others: [11] });
        expect(frontier.cutByDepth).toBe(false);
        expect(order.map(([id]) => id)).toContain(11);
        expect(frontier.unsettled()).toEqual([]);
    });

    it('knows what is left when it is stopped in the middle', () => {
        const frontier = new Frontier(Infinity);
        frontier.start(0);
        frontier.settle(frontier.next()!.slot, { clicks: [1, 2], free: [3], others: [4] });
        frontier.next();
        expect(frontier.unsettled().sort((a, b) => a - b)).toEqual([1, 2, 3, 4]);
    });

    it('ends on a redirect loop and on links in a circle', () => {
        expect(crawl({ 0: { free: [1] }, 1: { free: [0], clicks: [0] } }).order).toEqual([
            [0, 0],
            [1, 0],
        ]);
    });
});
