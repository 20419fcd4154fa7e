import { describe, expect, it } from 'vitest';
import { groupsOf, nearDoubles } from './near-doubles.ts';
import { signatureOf } from './signature.ts';

const WORDS = 'oak ash elm beech pine larch yew lime alder birch maple walnut cherry pear apple plum'.split(' ');

/** A text of its own for each seed. */
function textOf(seed: number, length = 400): string {
    let state = seed * 7919 + 1;
    return Array.from({ length }, () => {
        state = (state * 48271) % 2147483647;
        return `${WORDS[state % WORDS.length]}${Math.floor(state / 97) % 50}`;
    }).join(' ');
}

describe('near-doubles', () => {
    it('are texts that differ in a few words, and no others', () => {
        const first = textOf(1);
        const words = first.split(' ');
        words[100] = 'changed';
        const texts = [first, textOf(2), words.join(' '), textOf(3), first, textOf(2, 60), 'too short'];
        const groups = nearDoubles(texts.map(signatureOf));
        expect([...groups]).toEqual([0, -1, 0, -1, 0, -1, -1]);
    });

    it('take a thousand pages of one text', () => {
        const one = signatureOf(textOf(9));
        expect(new Set(nearDoubles(new Array(1_000).fill(one)))).toEqual(new Set([0]));
    });
});

describe('groups', () => {
    it('hold what has the same key, numbered by their first page', () => {
        expect([...groupsOf(['a', 'b', null, 'a', 'c', 'b', 'b'])]).toEqual([0, 1, -1, 0, -1, 1, 1]);
        expect([...groupsOf([3, null, null])]).toEqual([-1, -1, -1]);
        expect([...groupsOf(['x', 'y', 'y', 'x'])]).toEqual([0, 1, 1, 0]);
    });
});
