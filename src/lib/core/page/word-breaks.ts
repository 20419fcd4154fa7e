/**
 * Where words part (Unicode word boundaries, UAX 29) for the characters whose rules are simple: Latin, Greek and Cyrillic
 * letters, digits, and the punctuation around them, by a table. Runs of anything else (combining marks, scripts without
 * spaces, Hebrew with its quotes, emoji) are left to the segmenter of the platform, which takes twenty times as long.
 */
import { isWhite } from './white-space.ts';

/** Classes of characters (`Word_Break` of UAX 29, as far as they matter here). */
const OTHER = 0;
const LETTER = 1;
const DIGIT = 2;
/** Joins what stands on both sides: `_`. */
const JOINS = 3;
/** Within a word between two letters (`:`), between two digits (`,`), or between either (`.`, apostrophes). */
const MID_LETTER = 4;
const MID_NUMBER = 5;
const MID_BOTH = 6;
const GAP = 7;
/** Not of this table: the segmenter is asked. */
const ASK = 8;

const RANGES: readonly [from: number, to: number, kind: number][] = [
    [0x00, 0xac, OTHER],
    [0xae, 0x2ff, LETTER],
    [0x30, 0x39, DIGIT],
    [0x41, 0x5a, LETTER],
    [0x61, 0x7a, LETTER],
    [0x5f, 0x5f, JOINS],
    [0x2c, 0x2c, MID_NUMBER],
    [0x3b, 0x3b, MID_NUMBER],
    [0x27, 0x27, MID_BOTH],
    [0x2e, 0x2e, MID_BOTH],
    [0x3a, 0x3a, MID_LETTER],
    [0xaa, 0xaa, LETTER],
    [0xae, 0xb4, OTHER],
    [0xb6, 0xb6, OTHER],
    [0xb7, 0xb7, MID_LETTER],
    [0xb9, 0xb9, OTHER],
    [0xbb, 0xbf, OTHER],
    [0xd7, 0xd7, OTHER],
    [0xf7, 0xf7, OTHER],
    [0x2d8, 0x2dd, OTHER],
    [0x370, 0x373, LETTER],
    [0x376, 0x377, LETTER],
    [0x37b, 0x37d, LETTER],
    [0x386, 0x386, LETTER],
    [0x388, 0x38a, LETTER],
    [0x38c, 0x38c, LETTER],
    [0x38e, 0x3a1, LETTER],
    [0x3a3, 0x3f5, LETTER],
    [0x3f7, 0x481, LETTER],
    [0x48a, 0x52f, LETTER],
    [0x2010, 0x2017, OTHER],
    [0x2018, 0x2019, MID_BOTH],
    [0x201a, 0x2023, OTHER],
    [0x2025, 0x2026, OTHER],
    [0x2030, 0x203e, OTHER],
    [0x20a0, 0x20bf, OTHER],
    [0x2190, 0x23ff, OTHER],
    [0x2500, 0x27bf, OTHER],
];

/** Class of each UTF-16 code unit; surrogates are asked about. */
const KINDS = new Uint8Array(0x10000).fill(ASK);
for (const [from, to, kind] of RANGES) KINDS.fill(kind, from, to + 1);
// There is a boundary on both sides of white space.
for (let code = 0; code < KINDS.length; code++) if (isWhite(code)) KINDS[code] = GAP;

/** Whether punctuation between two characters makes one word of them (UAX 29, WB6, WB7, WB11 and WB12). */
function joinsOver(kind: number, before: number, after: number): boolean {
    if (before !== after || before === JOINS) return false;
    return before === LETTER ? kind === MID_LETTER || kind === MID_BOTH : kind === MID_NUMBER || kind === MID_BOTH;
}

/**
 * Calls back for each word of a text, in order: stretches between word boundaries that hold a letter or a digit. A run
 * between white space that the table cannot part, or that is longer than asked for, is handed to `ask` instead, once no
 * word of it has been told. O(characters).
 * @param tell is given where a word begins, and where it ends
 * @param ask is given where such a run begins and ends
 * @param longest characters of the longest run the table is asked for
 */
export function eachPlainWord(
    text: string,
    tell: (from: number, to: number) => void,
    ask: (from: number, to: number) => void,
    longest = Infinity,
): void {
    const { length } = text;
    for (let at = 0; at < length;) {
        while (at < length && KINDS[text.charCodeAt(at)] === GAP) at++;
        const from = at;
        /** The classes of its characters, as bits. */
        let kinds = 0;
        for (; at < length; at++) {
            const kind = KINDS[text.charCodeAt(at)]!;
            if (kind === GAP) break;
            kinds |= 1 << kind;
        }
        if ((kinds & (1 << ASK)) !== 0 || at - from > longest) ask(from, at);
        // Most runs are a word and nothing else.
        else if ((kinds & ~((1 << LETTER) | (1 << DIGIT))) === 0) {
            if (kinds !== 0) tell(from, at);
        } else tellWords(text, from, at, tell);
    }
}

/** The words of one run of characters of the table. */
function tellWords(text: string, from: number, to: number, tell: (from: number, to: number) => void): void {
    /** Class of the character before, as far as the next can join it. */
    let before = OTHER;
    /** Where the stretch that is open began, and whether it is a word so far. */
    let begun = from;
    let isWord = false;
    for (let at = from; at < to; at++) {
        const kind = KINDS[text.charCodeAt(at)]!;
        if (kind >= LETTER && kind <= JOINS) {
            if (before === OTHER) begun = at;
            // Two of what joins are a word too, as the segmenter has it; one alone is none.
            if (kind !== JOINS || before === JOINS) isWord = true;
            before = kind;
        } else if (before !== OTHER) {
            if (kind !== OTHER && at + 1 < to && joinsOver(kind, before, KINDS[text.charCodeAt(at + 1)]!)) continue;
            if (isWord) tell(begun, at);
            isWord = false;
            before = OTHER;
        }
    }
    if (isWord) tell(begun, to);
}

const segmenter = new Intl.Segmenter('en', { granularity: 'word' });

/**
 * Number of words by the Unicode word boundaries (UAX 29): segments that hold a letter, a number or an ideograph.
 * There is a boundary on both sides of white space, so what has to be asked for is asked for run by run: the segmenter's
 * time grows with the square of the length of what it is given (14 s for 90,000 characters, against 0.05 s in runs).
 */
export function countWords(text: string): number {
    let words = 0;
    eachPlainWord(
        text,
        () => words++,
        (from, to) => {
            for (const segment of segmenter.segment(text.slice(from, to))) if (segment.isWordLike) words++;
        },
    );
    return words;
}
