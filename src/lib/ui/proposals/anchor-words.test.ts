import { describe, expect, it } from 'vitest';
import type { ShownWord } from '../../core/views/proposals.ts';
import { anchorText, drawnTo, moved, piecesOf, reachOf, type AnchorSpan } from './anchor-words.ts';

/** Words of a sentence; `[…]` is a link, a comma parts runs. */
function sentence(marked: string): { text: string; words: ShownWord[] } {
    const text = marked.replace(/[[\]]/g, '');
    const words: ShownWord[] = [];
    let [at, run, isTaken] = [0, 0, false];
    for (const part of marked.split(/(\s+|[,.[\]])/)) {
        if (part === '[' || part === ']') {
            isTaken = part === '[';
            run++;
        } else if (/^\w/.test(part)) words.push({ from: at, to: at + part.length, isTaken, run });
        else if (/[,.]/.test(part)) run++;
        if (part !== '[' && part !== ']') at += part.length;
    }
    return { text, words };
}

const { text, words } = sentence('Spread light oil on the whetstone, then [draw the iron] over it again.');
const said = (span: AnchorSpan): string => anchorText(text, words, span);

describe('the words of an anchor', () => {
    it('reach as far as their run, and not into a link', () => {
        expect(said(reachOf(words, [1, 3]))).toBe('Spread light oil on the whetstone');
        expect(said(reachOf(words, [6, 7]))).toBe('then');
        expect(said(reachOf(words, [10, 11]))).toBe('over it again');
    });

    it('grow and shrink at either end, and never to nothing', () => {
        expect(said(moved(words, [1, 3], 'end', 1))).toBe('light oil on');
        expect(said(moved(words, [1, 3], 'start', -1))).toBe('Spread light oil');
        expect(said(moved(words, [1, 3], 'start', 1))).toBe('oil');
        expect(moved(words, [1, 2], 'end', -1)).toEqual([1, 2]);
        expect(moved(words, [0, 6], 'end', 1)).toEqual([0, 6]);
        expect(moved(words, [0, 6], 'start', -1)).toEqual([0, 6]);
    });

    it('come as near to a word that is pointed at as they may', () => {
        expect(said(drawnTo(words, [1, 3], 'end', 5))).toBe('light oil on the whetstone');
        // Behind the comma and the link nothing of this run is left.
        expect(said(drawnTo(words, [1, 3], 'end', 11))).toBe('light oil on the whetstone');
        expect(said(drawnTo(words, [3, 6], 'start', 0))).toBe('Spread light oil on the whetstone');
        expect(drawnTo(words, [3, 6], 'start', 9)).toEqual([5, 6]);
    });

    it('are eight at most', () => {
        const long = sentence('one two three four five six seven eight nine ten');
        expect(drawnTo(long.words, [0, 1], 'end', 9)).toEqual([0, 8]);
        expect(drawnTo(long.words, [9, 10], 'start', 0)).toEqual([2, 10]);
        expect(moved(long.words, [0, 8], 'end', 1)).toEqual([0, 8]);
    });

    it('stay within one free run whatever is done to them', () => {
        let seed = 9;
        const next = (most: number): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
        let span: AnchorSpan = [1, 3];
        for (let step = 0; step < 2_000; step++) {
            const end = next(2) ? 'start' : 'end';
            span = next(2) ? moved(words, span, end, next(5) - 2) : drawnTo(words, span, end, next(words.length));
            const own = words.slice(...span);
            expect(own.length).toBeGreaterThan(0);
            expect(own.length).toBeLessThanOrEqual(8);
            expect(own.every(({ isTaken, run }) => !isTaken && run === own[0]!.run)).toBe(true);
        }
    });
});

describe('the pieces of a sentence', () => {
    it('are all of it, each with what it is to the anchor', () => {
        const pieces = piecesOf(text, 0, text.length, words, [1, 3]);
        expect(pieces.map((piece) => piece.text).join('')).toBe(text);
        const of = (state: string): string[] =>
            pieces.filter((piece) => piece.state === state).map((piece) => piece.text);
        expect(of('anchor')).toEqual(['light', ' ', 'oil']);
        expect(of('taken')).toEqual(['draw', 'the', 'iron']);
        expect(of('reach')).toEqual(['Spread', 'on', 'the', 'whetstone']);
    });
});
