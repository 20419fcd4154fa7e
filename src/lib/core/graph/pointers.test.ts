import { describe, expect, it } from 'vitest';
import { lehmer } from './graphs.fixture.ts';
import { circlesOf, pointedWays, type PointedWay } from './pointers.ts';

/** One page after the other, until one comes twice. */
function plain(start: number, count: number, next: readonly number[], marks: ReadonlySet<number>): PointedWay {
    const seen = new Set([start]);
    let end = next[start]!;
    let marked = -1;
    while (end < count && !seen.has(end)) {
        if (marked === -1 && marks.has(end)) marked = end;
        if (next[end]! < 0) break;
        seen.add(end);
        end = next[end]!;
    }
    return { end, hops: seen.size, isLoop: seen.has(end), marked };
}

describe('pages that name one other each', () => {
    it('run in the circles that following each of them finds, and end where that ends', () => {
        const random = lehmer(8);
        for (let run = 0; run < 400; run++) {
            const count = 1 + random(14);
            // Some name nothing, some what is no page.
            const next = Array.from({ length: count }, () => random(count + 4) - 2);
            const marks = new Set(Array.from({ length: random(4) }, () => random(count)));
            const to = (node: number): number => next[node]!;
            const ways = pointedWays(count, to, (node) => marks.has(node));
            const onCircle = new Set(circlesOf(count, to).flat());
            for (let node = 0; node < count; node++) {
                const said = JSON.stringify({ next, marks: [...marks], node });
                if (next[node]! < 0) {
                    expect(ways.has(node), said).toBe(false);
                    continue;
                }
                const way = plain(node, count, next, marks);
                expect(ways.get(node), said).toEqual(way);
                expect(onCircle.has(node), said).toBe(way.isLoop && way.end === node);
            }
        }
    });

    it('are each in one circle at most, told in the order in which it is run through', () => {
        expect(circlesOf(6, (node) => [1, 2, 0, 0, 4, -1][node]!)).toEqual([[0, 1, 2], [4]]);
    });

    it('are followed through a chain and a circle of 200,000', () => {
        const count = 200_000;
        const chain = pointedWays(
            count,
            (node) => (node + 1 < count ? node + 1 : -1),
            () => false,
        );
        expect(chain.get(0)).toEqual({ end: count - 1, hops: count - 1, isLoop: false, marked: -1 });
        const circle = pointedWays(
            count,
            (node) => (node + 1) % count,
            (node) => node === 5,
        );
        expect(circle.get(7)).toEqual({ end: 7, hops: count, isLoop: true, marked: 5 });
        expect(circle.get(5)!.marked).toBe(-1);
    });
});
