import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { hashWords } from './word-hashes.ts';

/** FNV-1a over UTF-16 code units, in whole numbers without tricks. */
function fnv(word: string): number {
    let hash = 0x811c9dc5n;
    for (let at = 0; at < word.length; at++) {
        hash = ((hash ^ BigInt(word.charCodeAt(at))) * 0x01000193n) % 2n ** 32n;
    }
    return Number(hash);
}

const told = (text: string) => {
    const { text: lower, count, hashes, isNumber, from, to } = hashWords(text);
    return Array.from({ length: count }, (_, word) => ({
        word: lower.slice(from[word], to[word]),
        hash: hashes[word],
        isNumber: isNumber[word] === 1,
    }));
};

const expected = (text: string) =>
    Array.from(text.toLowerCase().matchAll(/[\p{L}\p{N}]+/gu), ([word]) => ({
        word,
        hash: fnv(word),
        isNumber: /^\p{N}+$/u.test(word),
    }));

describe('words as numbers', () => {
    it('have the hash of their letters, whatever their case', () => {
        // The test vectors of FNV-1a, 32 bits: "a" and "foobar".
        expect(told('A FooBar').map(({ hash }) => hash)).toEqual([0xe40c292c, 0xbf9cf968]);
    });

    it('are the runs of letters and numbers of any text', () => {
        const pieces = [
            ...[
                'a',
                'B',
                'é',
                'Σ',
                'σ',
                'İ',
                'ß',
                '工',
                'א',
                '٣',
                '½',
                '9',
                '𝒜',
                '𝟗',
                '😀',
                '\ud800',
                '\udc00',
                '\u0301',
            ],
            ...[' ', '-', '_', '.', '\n', '\u00a0', "'", '—'],
        ];
        const next = lehmer(5);
        for (let round = 0; round < 4_000; round++) {
            let text = '';
            for (let length = next(24); length > 0; length--) text += pieces[next(pieces.length)]!;
            expect(told(text), JSON.stringify(text)).toEqual(expected(text));
        }
    });

    it('are no more than 20,000, of 400,000 characters', () => {
        expect(hashWords('a '.repeat(30_000)).count).toBe(20_000);
        expect(hashWords(`${' '.repeat(400_000)}word`).count).toBe(0);
        expect(told(`${' '.repeat(399_998)}word`).map(({ word }) => word)).toEqual(['wo']);
    });
});
