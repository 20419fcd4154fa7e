import { describe, expect, it } from 'vitest';
import { cutMiddle, shareSoFar, signed, withoutMarks } from './format.ts';

describe('a share so far', () => {
    it.each([
        [0, 100_000, '0%'],
        [1, 100_000, '<1%'],
        [6_505, 100_000, '7%'],
        [99_000, 100_000, '99%'],
        [99_847, 100_000, '99.8%'],
        [99_999, 100_000, '99.9%'],
        [100_000, 100_000, '100%'],
        [0, 0, '0%'],
    ])('%d of %d is %s', (part, whole, told) => expect(shareSoFar(part, whole)).toBe(told));
});

describe('words of the register', () => {
    it('are shown without the marks that the docs make of code', () => {
        expect(withoutMarks('Say in the `alt` where the link leads.')).toBe('Say in the alt where the link leads.');
    });
});

describe('a long text', () => {
    it('is cut in the middle, both ends kept', () => {
        const cut = cutMiddle('/guides/a-very-long-name-of-a-page/end/', 20);
        expect(cut.length).toBeLessThanOrEqual(20);
        expect(cut.startsWith('/guides')).toBe(true);
        expect(cut.endsWith('end/')).toBe(true);
    });

    it('is never cut through a character', () => {
        for (let most = 3; most < 20; most++) expect(cutMiddle('🌳'.repeat(12), most)).toMatch(/^🌳*…🌳*$/u);
    });
});

describe('signed', () => {
    it.each([
        [12, '12', '+12'],
        [-12, '-12', '−12'],
        [1_200, '1,200', '+1,200'],
        [0, '0', '0'],
        [0.004, '0.00', '0'],
        [-0.004, '-0.00', '0'],
        [-0.4, '-0.4', '−0.4'],
    ])('%d is written %s as %s', (by, text, wanted) => expect(signed(by, text)).toBe(wanted));
});
