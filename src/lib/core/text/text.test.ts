import { describe, expect, it } from 'vitest';
import { languageOf } from './language.ts';
import { sentencesOf } from './sentences.ts';
import { stemmerOf } from './stems.ts';
import { stopWordsOf } from './stop-words.ts';
import { eachWord, wordsOf } from './words.ts';

const cut = (text: string, tag = ''): string[] => sentencesOf(text, tag).map(({ from, to }) => text.slice(from, to));

describe('languageOf', () => {
    it.each([
        ['en', 'en'],
        ['en-GB', 'en'],
        [' DE_at ', 'de'],
        ['nb-NO', 'no'],
        ['nn', 'no'],
        ['cy', null],
        ['', null],
        ['english', null],
    ])('%j is %s', (tag, language) => expect(languageOf(tag)).toBe(language));
});

describe('stems', () => {
    it.each([
        // Examples of the Snowball vocabularies.
        ['en', ['connect', 'connected', 'connecting', 'connection', 'connections']],
        ['de', ['aufeinanderfolge', 'aufeinanderfolgen']],
        ['fr', ['continu', 'continua', 'continuait', 'continuant']],
        ['es', ['torneo', 'torneos']],
        ['ru', ['важная', 'важное', 'важные']],
    ] as const)('of %s join the forms of a word', (language, forms) => {
        const stem = stemmerOf(language);
        expect(new Set(forms.map(stem)).size).toBe(1);
        expect(stem(forms[0])).not.toBe('');
    });

    it('join case and the ways to write one character, and leave other words apart', () => {
        const stem = stemmerOf('en');
        expect(new Set(['ladder', 'Ladders', 'LADDERS', 'ｌａｄｄｅｒｓ'].map(stem))).toEqual(new Set(['ladder']));
        expect(stem('e\u0301clair')).toBe(stem('\u00e9clairs'));
        expect(stem('ladle')).not.toBe(stem('ladder'));
    });

    it('are the words themselves where there is no stemmer, and nothing for what is no word', () => {
        expect(['Ysgolion', 'ysgol'].map(stemmerOf(null))).toEqual(['ysgolion', 'ysgol']);
        expect(stemmerOf('en')('x'.repeat(65))).toBe('');
    });
});

describe('stopWordsOf', () => {
    it('knows those of a language, and none of another', () => {
        expect(['the', 'and', 'of', 'ladder'].map((word) => stopWordsOf('en').has(word))).toEqual([
            true,
            true,
            true,
            false,
        ]);
        // Left out by the list, and no subject of any page.
        expect(['without', 'toward', 'until'].every((word) => stopWordsOf('en').has(word))).toBe(true);
        expect(stopWordsOf('de').has('und')).toBe(true);
        expect(stopWordsOf(null).size).toBe(0);
    });
});

describe('words', () => {
    it.each([
        ['Hire a ladder, (two-part) for £12.50.', 'en', ['Hire', 'a', 'ladder', 'two', 'part', 'for', '12.50']],
        ["Don't lend the neighbour's saw!", 'en', ["Don't", 'lend', 'the', "neighbour's", 'saw']],
        ['Ça coûte 3 €', 'fr', ['Ça', 'coûte', '3']],
        ['工具を借りる', 'ja', ['工具', 'を', '借りる']],
        [' \n\t', 'en', []],
    ])('of %j in %s', (text, tag, words) => {
        const found = wordsOf(text, tag);
        expect(found.map(({ word }) => word)).toEqual(words);
        for (const { word, from, to } of found) expect(text.slice(from, to)).toBe(word);
    });

    it('are those that the segmenter finds in the whole text', () => {
        const pieces = [
            'plain',
            'words',
            'co-op',
            "it's",
            '3.14',
            'a.b',
            '«quoted»',
            'x/y',
            'é',
            '\u200bz',
            '…',
            '50%',
            'C++',
            '2×4',
            '(a1)',
            '"x',
            "dogs'",
            '1.',
            'B2B?!',
            '[3]',
            '9÷3',
            "'tis",
            'a:b',
            'é.',
        ];
        let seed = 7;
        const next = (most: number): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
        const whole = new Intl.Segmenter('en', { granularity: 'word' });
        for (let round = 0; round < 200; round++) {
            const text = Array.from({ length: 12 }, () => pieces[next(pieces.length)]!).join(
                [' ', '  ', '\n'][next(3)],
            );
            const plain = [...whole.segment(text)].filter(({ isWordLike }) => isWordLike);
            expect(wordsOf(text, 'en').map(({ word, from }) => [word, from])).toEqual(
                plain.map(({ segment, index }) => [segment, index]),
            );
        }
    });

    it('of a run without a space, and of a tag that is none, are found all the same', () => {
        let words = 0;
        eachWord('工具'.repeat(3_000), 'zh', () => words++);
        expect(words).toBeGreaterThan(1_000);
        expect(wordsOf('one, two', 'not a tag!').map(({ word }) => word)).toEqual(['one', 'two']);
    });
});

describe('sentences', () => {
    it.each([
        ['Hire a saw. Bring it back clean! Or not?', 'en', ['Hire a saw.', 'Bring it back clean!', 'Or not?']],
        ['Costs £3.50 a day. See below.', 'en', ['Costs £3.50 a day.', 'See below.']],
        ['鋸を借りる。返す。', 'ja', ['鋸を借りる。', '返す。']],
        ['  no full stop  ', 'en', ['no full stop']],
        ['', 'en', []],
    ])('of %j', (text, tag, sentences) => expect(cut(text, tag)).toEqual(sentences));

    it('are not torn where a long piece is looked at part by part, and nothing but white space is between them', () => {
        const text = Array.from(
            { length: 400 },
            (_, n) => `Sentence number ${n} has ${'some '.repeat(n % 9)}words.`,
        ).join(' ');
        const found = cut(text, 'en');
        expect(found).toHaveLength(400);
        expect(found.join(' ')).toBe(text);
        const endless = 'word '.repeat(3_000).trim();
        expect(cut(endless, 'en').join(' ')).toBe(endless);
    });
});
