import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { LANGUAGES } from '../text/language.ts';
import { eachWord } from '../text/words.ts';
import { countWords, eachPlainWord } from './word-breaks.ts';

/** What the platform says: the rules themselves, and what each language makes of them. */
const segmentersOf = (tags: readonly string[]) =>
    tags.map((tag) => ({ tag, segmenter: new Intl.Segmenter(tag, { granularity: 'word' }) }));
const TAGS = [...LANGUAGES, 'el', 'uk', 'pl', 'bg', 'ja', 'zh', 'th'];
const english = new Intl.Segmenter('en', { granularity: 'word' });

const bySegmenter = (segmenter: Intl.Segmenter, text: string): [string, number][] =>
    [...segmenter.segment(text)].flatMap(({ segment, index, isWordLike }) =>
        isWordLike ? [[segment, index] as [string, number]] : [],
    );

/** Run by run: the segmenter glues a mark behind white space to it, and asks its dictionary about what is left. */
const byRuns = (segmenter: Intl.Segmenter, text: string): [string, number][] =>
    [...text.matchAll(/\P{White_Space}+/gu)].flatMap(({ 0: run, index }) =>
        bySegmenter(segmenter, run).map(([word, at]): [string, number] => [word, index + at]),
    );

function byTable(text: string): { words: [string, number][]; asked: string[] } {
    const words: [string, number][] = [];
    const asked: string[] = [];
    eachPlainWord(
        text,
        (from, to) => words.push([text.slice(from, to), from]),
        (from, to) => asked.push(text.slice(from, to)),
    );
    return { words, asked };
}

/** Parts words here, as all white space does; by the rules alone it would join them (narrow no-break space). */
const NARROW = '\u202f';
/** Characters that the table claims to know. */
const known = Array.from({ length: 0xd800 }, (_, code) => String.fromCharCode(code)).filter(
    (char) => char !== NARROW && byTable(`a${char}b`).asked.length === 0,
);

describe('the table of word boundaries', () => {
    it('knows Latin, Greek and Cyrillic letters, digits and their punctuation, and nothing that combines', () => {
        for (const char of 'aZ09_.,:;\'"-/()@#éßłąğΣωЯї’“”–—…€→•') expect(known, char).toContain(char);
        for (const char of '\u0301\u00ad\u200d\u2060\ufeffא工กあｱ한') expect(known, char).not.toContain(char);
    });

    it('parts every pair and triple around each character it knows as the segmenter does', () => {
        for (const char of known) {
            for (const text of [
                char,
                `a${char}b`,
                `1${char}2`,
                `a${char}1`,
                `_${char}_`,
                `${char}${char}a`,
                `a${char}'b`,
                `1,${char}2`,
                `я.${char}.1`,
            ]) {
                expect(byTable(text).words, JSON.stringify(text)).toEqual(bySegmenter(english, text));
            }
        }
    });

    it.each(segmentersOf(TAGS))('parts random text as the segmenter does for $tag', ({ tag, segmenter }) => {
        const next = lehmer(TAGS.indexOf(tag) + 1);
        // What joins and parts is met often, any other character it knows now and then.
        const often = [...'aé я1ω9_.,:;\'’·-/ ()"'];
        for (let run = 0; run < 400; run++) {
            let text = '';
            for (let length = 1 + next(30); length > 0; length--) {
                const from = next(5) < 4 ? often : known;
                text += from[next(from.length)]!;
            }
            expect(byTable(text), JSON.stringify(text)).toEqual({ words: bySegmenter(segmenter, text), asked: [] });
        }
    });

    it('hands over whole runs with anything else in them, and tells no word of them', () => {
        expect(byTable('plain cafe\u0301s. 工具 end')).toEqual({
            words: [
                ['plain', 0],
                ['end', 17],
            ],
            asked: ['cafe\u0301s.', '工具'],
        });
    });
});

describe('words, by table and segmenter together', () => {
    // Without the mark that lengthens kana: about it the platform's dictionary says one thing first and another later.
    /** Characters of every kind: combining marks, joiners, Hebrew quotes, kana, ideographs, Thai, emoji, lone surrogates. */
    const every = [
        ...'ab1_. ,:\'’"-é',
        'e\u0301',
        '\u00ad',
        '\u200d',
        '\u2060',
        '\ufeff',
        '\u0085',
        'א',
        'ב',
        '״',
        'ア',
        'ひ',
        '工',
        'ไทย',
        '한',
        '١',
        'क्ष',
        '👩‍💻',
        '🇫🇷',
        '𝒜',
        '\ud800',
    ];

    it('are counted as the segmenter counts them, whatever the script', () => {
        const next = lehmer(7);
        for (let run = 0; run < 3_000; run++) {
            let text = '';
            for (let length = 1 + next(25); length > 0; length--) {
                text += next(7) === 0 ? ' ' : every[next(every.length)]!;
            }
            expect(countWords(text), JSON.stringify(text)).toBe(byRuns(english, text).length);
        }
    });

    it('are the same words at the same places', () => {
        const next = lehmer(8);
        for (let run = 0; run < 1_000; run++) {
            let text = '';
            for (let length = 1 + next(25); length > 0; length--) {
                // A byte order mark inside a run ends it here, and is glued to what is before it by the rules.
                const char = every[next(every.length)]!;
                text += next(7) === 0 || char === '\ufeff' ? ' ' : char;
            }
            const found: [string, number][] = [];
            eachWord(text, 'en', (word, from) => found.push([word, from]));
            expect(found, JSON.stringify(text)).toEqual(byRuns(english, text));
        }
    });
});
