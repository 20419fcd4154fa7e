import { describe, expect, it } from 'vitest';
import { linksOf, reversed } from './distinct.ts';
import { degrees, pageRank } from './page-rank.ts';
import { randomWalks, seededNumbers } from './random-walks.ts';

/** 0 leads to 1 and 2, 1 to 2, 2 to 0; 3 to nothing, and 1 to 3 as well. */
const SMALL = linksOf(4, [0, 0, 1, 1, 2], [1, 2, 2, 3, 0]);
const sum = (values: ArrayLike<number>): number => Array.from(values).reduce((a, b) => a + b, 0);

describe('random walks', () => {
    it('stand on each page as often as PageRank says, where they begin again anywhere', () => {
        const next = seededNumbers(7);
        const nodes = 40;
        const [from, to]: [number[], number[]] = [[], []];
        for (let link = 0; link < 150; link++) {
            const [a, b] = [Math.floor(next() * nodes), Math.floor(next() ** 2 * nodes)];
            // The last five lead nowhere.
            if (a === b || a >= 35) continue;
            from.push(a);
            to.push(b);
        }
        const links = linksOf(nodes, from, to);
        const distinct = reversed(reversed(links));
        const { rank } = pageRank(reversed(distinct), degrees(distinct));
        const { visits } = randomWalks(distinct, { starts: [0], walks: 4_000, clicks: 250, seed: 11, anywhere: true });
        const all = sum(visits);
        // A million steps: an error of a share of 0.03 is some 0.0003 where they are independent, and they nearly are.
        for (let node = 0; node < nodes; node++) {
            expect(Math.abs(visits[node]! / all - rank[node]!), `page ${node}`).toBeLessThan(0.002);
        }
    });

    it('are the same for the same seed, and others for another', () => {
        const walk = (seed: number): number[] => [
            ...randomWalks(SMALL, { starts: [0], walks: 50, clicks: 20, seed }).visits,
        ];
        expect(walk(11)).toEqual(walk(11));
        expect(walk(11)).not.toEqual(walk(12));
    });

    it('count each step, and where they could go no further', () => {
        const { visits, stuck } = randomWalks(SMALL, { starts: [0], walks: 500, clicks: 20, seed: 3 });
        expect(sum(visits)).toBe(500 * 21);
        expect([...stuck].map((times) => times > 0)).toEqual([false, false, false, true]);
        // From where nothing leads on every walk that has a click left begins again.
        expect(stuck[3]).toBeLessThanOrEqual(visits[3]!);
        expect(stuck[3]).toBeGreaterThan(visits[3]! * 0.8);
    });

    it('tell after how many clicks they first were at a goal', () => {
        const chain = linksOf(4, [0, 1, 2], [1, 2, 3]);
        const { met } = randomWalks(chain, { starts: [0], walks: 2_000, clicks: 3, seed: 5, goal: 3 });
        // Only without beginning again: 0.85 three times.
        expect([...new Set(met)]).toEqual([3]);
        expect(met.length / 2_000).toBeCloseTo(0.85 ** 3, 1);
        const at = randomWalks(chain, { starts: [0], walks: 10, clicks: 3, seed: 5, goal: 0 }).met;
        expect([...at]).toEqual(Array(10).fill(0));
    });

    it('go nowhere where there is nothing to begin at', () => {
        const { visits, met } = randomWalks(SMALL, { starts: [], walks: 10, clicks: 5, seed: 1, goal: 2 });
        expect([sum(visits), met.length]).toEqual([0, 0]);
    });
});

describe('seeded numbers', () => {
    it('lie evenly between 0 and 1, for small seeds too', () => {
        for (const seed of [0, 1, 2, 12_345]) {
            const next = seededNumbers(seed);
            const counts = new Uint32Array(10);
            for (let n = 0; n < 20_000; n++) {
                const value = next();
                expect(value).toBeGreaterThanOrEqual(0);
                expect(value).toBeLessThan(1);
                counts[Math.floor(value * 10)]!++;
            }
            // 2,000 each; five standard deviations are some 212.
            for (const count of counts) expect(Math.abs(count - 2_000)).toBeLessThan(212);
        }
    });
});
