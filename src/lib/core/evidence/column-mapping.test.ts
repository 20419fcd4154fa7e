import { describe, expect, it } from 'vitest';
import { absolute, guessMapping, guessSeparator, looksLikeUrl, readDate, readNumber } from './column-mapping.ts';

const belongs = (url: string): boolean => url.startsWith('https://www.site.example/');

describe('guessSeparator', () => {
    it.each([
        ['url,visits\nhttps://a.example/,3\n', ','],
        ['url;visits\nhttps://a.example/?a=1,2;3\nhttps://b.example/;4\n', ';'],
        ['url\tvisits\n/a\t1\n', '\t'],
        ['url|visits\n/a|1\n', '|'],
        ['/a\n/b\n', ','],
        ['"a, b";1\n"c";2\n', ';'],
        ['title;url\nOne, two;/a\nThree;/b\n', ';'],
    ])('%j', (text, separator) => expect(guessSeparator(text)).toBe(separator));
});

describe('guessMapping', () => {
    it('finds the address, counts and dates, by what stands in them', () => {
        const rows = [
            ['Page', 'Title', 'Visits', 'Last seen'],
            ['https://www.site.example/a', 'A', '1,234', '2026-03-02'],
            ['/b', 'B', '7', '2026-03-01 10:00'],
        ];
        expect(guessMapping(rows, belongs, false)).toEqual({
            ok: true,
            mapping: {
                hasHeader: true,
                url: 0,
                source: null,
                kept: [
                    { index: 2, type: 'number', name: 'Visits' },
                    { index: 3, type: 'date', name: 'Last seen' },
                ],
            },
        });
    });

    it('takes a list without a head, and names its columns by their place', () => {
        const guess = guessMapping(
            [
                ['/a', '3'],
                ['/b', '4'],
            ],
            belongs,
            false,
        );
        expect(guess).toMatchObject({ ok: true, mapping: { hasHeader: false, kept: [{ name: 'column 2' }] } });
        expect(guessMapping([['/only']], belongs, false)).toMatchObject({ ok: true, mapping: { hasHeader: false } });
    });

    it('tells our pages from those that link to them, whichever comes first', () => {
        const there = ['https://other.example/x', 'https://www.site.example/a'];
        expect(guessMapping([['from', 'to'], there], belongs, true)).toMatchObject({ mapping: { url: 1, source: 0 } });
        expect(guessMapping([['to', 'from'], [...there].reverse()], belongs, true)).toMatchObject({
            mapping: { url: 0, source: 1 },
        });
    });

    it('says what is missing', () => {
        expect(guessMapping([], belongs, false)).toEqual({ ok: false, say: 'The file holds no rows.' });
        expect(
            guessMapping(
                [
                    ['a', 'b'],
                    ['1', '2'],
                ],
                belongs,
                false,
            ),
        ).toMatchObject({ ok: false });
        expect(guessMapping([['to'], ['https://www.site.example/a']], belongs, true)).toMatchObject({ ok: false });
    });
});

describe('cells', () => {
    it.each([
        ['12', 12],
        ['1,234', 1234],
        ['1 234.5', 1234.5],
        ['-3', -3],
        ['12 %', 12],
        ['1e3', 1000],
        ['1,23', null],
        ['12a', null],
        ['', null],
        ['0x10', null],
    ])('number %j', (cell, value) => expect(readNumber(cell)).toBe(value));

    it.each([
        ['2026-03-02', Date.UTC(2026, 2, 2)],
        ['2026/03/02', Date.UTC(2026, 2, 2)],
        ['2026-03-02T10:00:00+01:00', Date.UTC(2026, 2, 2, 9)],
        ['2026-03-02 10:00', Date.UTC(2026, 2, 2, 10)],
        ['2026-02-30', null],
        ['02.03.2026', null],
        ['3/2/2026', null],
    ])('date %j', (cell, value) => expect(readDate(cell)).toBe(value));

    it('addresses: whole, as paths, and with a bare host', () => {
        expect(looksLikeUrl('https://a.example/x')).toBe(true);
        expect(looksLikeUrl('/x')).toBe(true);
        expect(looksLikeUrl('a.example/x')).toBe(true);
        expect(looksLikeUrl('//a.example/x')).toBe(false);
        expect(looksLikeUrl('a word')).toBe(false);
        expect(looksLikeUrl('1.5')).toBe(false);
        expect(absolute('/x?y', 'https://www.site.example/a/b')).toBe('https://www.site.example/x?y');
        expect(absolute('a.example/x', '')).toBe('https://a.example/x');
    });
});
