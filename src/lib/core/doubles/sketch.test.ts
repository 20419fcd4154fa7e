import { describe, expect, it } from 'vitest';
import { RecentWords, SKETCH_SIZE, sketchOf } from './sketch.ts';

const O = 'https://a.example';

/** Texts of words nobody else uses. */
const words = (from: number, count: number): string =>
    Array.from({ length: count }, (_, at) => `word${(from + at).toString(26).replace(/\d/g, 'q')}x${from + at}y`).join(
        ' ',
    );

describe('sketchOf', () => {
    it('holds each word once, whatever its case, in ascending order', () => {
        const sketch = sketchOf('One two ONE two three', `${O}/`);
        expect(sketch).toHaveLength(3);
        expect([...sketch]).toEqual([...sketch].sort((a, b) => a - b));
        expect(sketchOf('three two one', `${O}/`)).toEqual(sketch);
    });

    it('leaves out numbers and what the address says', () => {
        expect(sketchOf('Events in March 2026, week 12', `${O}/calendar/march/2026/`)).toEqual(
            sketchOf('events in week', O),
        );
        expect(sketchOf('Größe', `${O}/gr%C3%B6%C3%9Fe`)).toHaveLength(0);
        expect(sketchOf('50%', `${O}/50%`)).toHaveLength(0);
        expect(sketchOf('', O)).toHaveLength(0);
    });

    it('keeps the smallest hashes of a long text: a sample that two texts take alike', () => {
        const long = sketchOf(words(0, 500), O);
        expect(long).toHaveLength(SKETCH_SIZE);
        // The same words and some more: whatever of the first is small enough is in both.
        const longer = new Set(sketchOf(words(0, 520), O));
        expect([...long].filter((hash) => longer.has(hash)).length).toBeGreaterThan(SKETCH_SIZE * 0.8);
    });
});

describe('RecentWords', () => {
    it('tells the words none of the last pages has', () => {
        const recent = new RecentWords(10);
        recent.add(sketchOf('tools to lend', O));
        recent.add(sketchOf('ladders to lend', O));
        expect(recent.ownOf(sketchOf('ladders and tools', O))).toEqual({ own: 1, known: 3 });
        expect(recent.ownOf(sketchOf('', O))).toEqual({ own: 0, known: 0 });
    });

    it('forgets what lies further back', () => {
        const recent = new RecentWords(2);
        for (const text of ['alpha beta', 'beta gamma', 'gamma delta']) recent.add(sketchOf(text, O));
        expect(recent.pages).toBe(2);
        expect(recent.ownOf(sketchOf('alpha', O)).own).toBe(1);
        expect(recent.ownOf(sketchOf('beta', O)).own).toBe(0);
    });

    it('estimates the share of own words of long texts: exact counts beside it', () => {
        for (const shared of [0, 100, 200, 300, 400]) {
            const recent = new RecentWords(5);
            recent.add(sketchOf(words(0, 400), O));
            const { own, known } = recent.ownOf(sketchOf(words(400 - shared, 400), O));
            // Known is about half of a sketch at least; 5 standard deviations of a sample of that size.
            expect(known).toBeGreaterThan(8);
            expect(Math.abs(own / known - (400 - shared) / 400)).toBeLessThan(0.45);
        }
    });
});
