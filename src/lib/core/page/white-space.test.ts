import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { foldSpace, hasText, isWhite } from './white-space.ts';

describe('white space', () => {
    it('is what Unicode says, of all code units', () => {
        const white = /^\p{White_Space}$/u;
        for (let code = 0; code <= 0xffff; code++) {
            expect(isWhite(code), code.toString(16)).toBe(white.test(String.fromCharCode(code)));
        }
    });

    it('is folded as its definition says, and told from text', () => {
        const pieces = [
            'a',
            'é',
            '😀',
            '\u200b',
            '\ufeff',
            ' ',
            ' ',
            '  ',
            '\n',
            '\t',
            '\r\n',
            '\u0085',
            '\u00a0',
            '\u3000',
        ];
        const next = lehmer(3);
        for (let round = 0; round < 5_000; round++) {
            let text = '';
            for (let length = next(12); length > 0; length--) text += pieces[next(pieces.length)]!;
            const folded = text.replace(/\p{White_Space}+/gu, ' ').replace(/^ | $/g, '');
            expect(foldSpace(text), JSON.stringify(text)).toBe(folded);
            expect(hasText(text)).toBe(folded !== '');
        }
    });
});
