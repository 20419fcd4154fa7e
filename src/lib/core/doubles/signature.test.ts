import { describe, expect, it } from 'vitest';
import { likeness, signatureOf } from './signature.ts';

/** Words by a fixed rule, so that every run sees the same texts. */
function words(seed: number, count: number): string[] {
    let state = seed;
    return Array.from({ length: count }, () => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
        return `w${state % 5_000}`;
    });
}

/** The true share of four-word shingles in common. */
function jaccard(a: string[], b: string[]): number {
    const shingles = (list: string[]): Set<string> =>
        new Set(list.slice(0, list.length - 3).map((_, index) => list.slice(index, index + 4).join(' ')));
    const first = shingles(a);
    const second = shingles(b);
    let both = 0;
    for (const item of first) if (second.has(item)) both++;
    return both / (first.size + second.size - both);
}

describe('signatureOf', () => {
    it('is equal for equal texts, whatever their case, marks and white space', () => {
        const a = signatureOf('One two three, four FIVE six seven eight nine.')!;
        const b = signatureOf('one two\n three four five   six seven eight nine')!;
        expect(likeness(a, b)).toBe(1);
    });

    it('says nothing of a text of a few words', () => {
        expect(signatureOf('')).toBeNull();
        expect(signatureOf('one two three four five six seven')).toBeNull();
        expect(signatureOf('one two three four five six seven eight')).not.toBeNull();
    });

    it('is near nothing for different texts', () => {
        expect(likeness(signatureOf(words(1, 300).join(' '))!, signatureOf(words(2, 300).join(' '))!)).toBeLessThan(
            0.1,
        );
    });

    it('estimates the share of shingles in common', () => {
        // With 32 hash functions the standard error is below 0.09; on average over many pairs far below.
        let error = 0;
        const cases = 40;
        for (let index = 0; index < cases; index++) {
            const a = words(index + 10, 400);
            const b = [...a];
            for (const [place, word] of words(index + 900, index * 2).entries()) b[(place * 37 + index) % 400] = word;
            error += likeness(signatureOf(a.join(' '))!, signatureOf(b.join(' '))!) - jaccard(a, b);
        }
        expect(Math.abs(error / cases)).toBeLessThan(0.05);
    });
});
