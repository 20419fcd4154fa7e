import { describe, expect, it } from 'vitest';
import { headOf, tailOf } from './cut-text.ts';

describe('a text that is cut short', () => {
    it('is itself where it is short enough', () => {
        for (const text of ['', 'oak', '🌳🌳']) {
            expect(headOf(text, text.length)).toBe(text);
            expect(tailOf(text, text.length)).toBe(text);
        }
    });

    it('is the longest beginning, and the longest end, of whole characters', () => {
        for (const text of ['a🌳b𝒳🌳', '🌳🌳🌳', 'oak and elm', 'é工\ud83c', '\udf33 alone']) {
            const characters = [...text];
            for (let most = 0; most <= text.length + 1; most++) {
                const fits = (part: string[]): boolean => part.join('').length <= most;
                const counts = Array.from({ length: characters.length + 1 }, (_, count) => characters.length - count);
                const heads = counts.map((count) => characters.slice(0, count));
                const tails = counts.map((count) => characters.slice(characters.length - count));
                expect(headOf(text, most), `${text} ${most}`).toBe(heads.find(fits)!.join(''));
                expect(tailOf(text, most), `${text} ${most}`).toBe(tails.find(fits)!.join(''));
            }
        }
    });
});
