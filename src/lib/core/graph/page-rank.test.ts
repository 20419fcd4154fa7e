import { describe, expect, it } from 'vitest';
import { concentration } from './concentration.ts';
import { reversed, type Links } from './distinct.ts';
import { sectionFlow } from './flow.ts';
import { graph, lehmer, randomGraphs } from './graphs.fixture.ts';
import { degrees, pageRank } from './page-rank.ts';

/** The definition, as the walk it describes: power iteration over a full matrix. */
function slowRank(links: Links, damping = 0.85): number[] {
    const { nodes, start, targets } = links;
    let rank = new Array<number>(nodes).fill(1 / nodes);
    for (let step = 0; step < 400; step++) {
        const next = new Array<number>(nodes).fill((1 - damping) / nodes);
        for (let node = 0; node < nodes; node++) {
            const own = [...targets.slice(start[node], start[node + 1])];
            const to = own.length === 0 ? Array.from({ length: nodes }, (_, any) => any) : own;
            for (const target of to) next[target]! += (damping * rank[node]!) / to.length;
        }
        rank = next;
    }
    return rank;
}

const ranksOf = (links: Links) => pageRank(reversed(links), degrees(links));

describe('PageRank', () => {
    it('is the walk of its definition, on random graphs with dangling pages', () => {
        for (const { nodes, edges } of randomGraphs(150, 41)) {
            const links = graph(nodes, edges);
            const { rank } = ranksOf(links);
            slowRank(links).forEach((wanted, node) => expect(rank[node]! / wanted).toBeCloseTo(1, 7));
        }
    });

    it('sums to 1 and is even where no page has links', () => {
        const { rank } = ranksOf(graph(4, []));
        expect([...rank]).toEqual([0.25, 0.25, 0.25, 0.25]);
        const next = lehmer(5);
        const links = graph(
            500,
            Array.from({ length: 4_000 }, () => [next(500), next(next(500) + 1)] as [number, number]),
        );
        const sum = ranksOf(links).rank.reduce((a, b) => a + b, 0);
        expect(sum).toBeCloseTo(1, 12);
    });

    it('gives the same from another beginning', () => {
        const links = graph(4, [
            [0, 1],
            [1, 2],
            [2, 0],
            [3, 0],
        ]);
        const from = Float64Array.of(0.7, 0.1, 0.1, 0.1);
        const again = pageRank(reversed(links), degrees(links), { from });
        ranksOf(links).rank.forEach((value, node) => expect(again.rank[node]! / value).toBeCloseTo(1, 8));
    });

    it('has no page to rank on an empty site', () => {
        expect(ranksOf(graph(0, [])).rank).toHaveLength(0);
    });
});

describe('concentration', () => {
    it('is 0 when all have the same, and near 1 when one has all', () => {
        expect(concentration(new Float64Array(50).fill(2)).gini).toBeCloseTo(0, 12);
        const one = new Float64Array(1_000);
        one[7] = 3;
        expect(concentration(one).gini).toBeCloseTo(0.999, 6);
        expect(concentration(new Float64Array(0)).gini).toBe(0);
    });

    it('is half the mean difference of all pairs over the mean', () => {
        const next = lehmer(9);
        const weights = Float64Array.from({ length: 60 }, () => next(1_000));
        let differences = 0;
        for (const a of weights) for (const b of weights) differences += Math.abs(a - b);
        const mean = weights.reduce((a, b) => a + b, 0) / 60;
        expect(concentration(weights).gini).toBeCloseTo(differences / (2 * 60 * 60 * mean), 10);
    });

    it('draws a curve from nothing to all that never falls', () => {
        // Of a hundred pages in four pieces: a point at each quarter, where it is by the definition.
        const hundred = Float64Array.from({ length: 100 }, (_, at) => at + 1);
        const sumTo = (n: number): number => (n * (n + 1)) / 2;
        expect(concentration(hundred, 4).curve).toEqual(
            [0, 25, 50, 75, 100].map((n) => ({ pages: n / 100, weight: sumTo(n) / sumTo(100) })),
        );
        const { curve } = concentration(Float64Array.of(5, 1, 1, 1, 0), 5);
        expect(curve.map((point) => point.pages)).toEqual([0, 0.2, 0.4, 0.6, 0.8, 1]);
        expect(curve.map((point) => point.weight)).toEqual([0, 0, 1 / 8, 2 / 8, 3 / 8, 1]);
    });
});

describe('flow between sections', () => {
    it('counts links, and what they would be if spread evenly', () => {
        // Pages 0 and 1 are section 0, pages 2 and 3 section 1, page 4 is left out.
        const links = graph(5, [
            [0, 1],
            [0, 2],
            [1, 2],
            [2, 4],
            [3, 0],
        ]);
        const flow = sectionFlow(links, Int32Array.of(0, 0, 1, 1, -1), 2);
        expect([...flow.links]).toEqual([1, 2, 1, 0]);
        // Three links of section 0, over one page of its own and two of the other.
        expect([...flow.expected]).toEqual([1, 2, 2 / 3, 1 / 3]);
    });
});
