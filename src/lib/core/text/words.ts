/** The words of a text, and where each stands in it (Unicode word boundaries, UAX 29). */

import { eachPlainWord } from '../page/word-breaks.ts';

/** A stretch of a text: characters `from` up to, and without, `to`, in UTF-16 units. */
export interface Span {
    from: number;
    to: number;
}

const segmenters = new Map<string, Intl.Segmenter>();

/** Dictionaries of languages without spaces come with the language; a tag nobody knows is taken as English. */
function segmenterOf(tag: string): Intl.Segmenter {
    let known = segmenters.get(tag);
    if (!known) {
        try {
            known = new Intl.Segmenter(tag === '' ? 'en' : tag, { granularity: 'word' });
        } catch {
            known = new Intl.Segmenter('en', { granularity: 'word' });
        }
        // Tags come from pages: no more of them are kept than there are languages.
        if (segmenters.size > 300) segmenters.clear();
        segmenters.set(tag, known);
    }
    return known;
}

/** The segmenter's time grows with the square of what it is given: a run without white space is cut into these. */
const LONGEST_RUN = 500;

/**
 * Calls back for each word, in order. Runs between white space that a table can part are parted by it; the rest is what
 * the segmenter is asked for. O(characters).
 * @param tag language (BCP 47), which decides for texts without spaces
 */
export function eachWord(text: string, tag: string, tell: (word: string, from: number) => void): void {
    eachPlainWord(
        text,
        (from, to) => tell(text.slice(from, to), from),
        (from, to) => eachAskedWord(text.slice(from, to), tag, (word, at) => tell(word, from + at)),
        LONGEST_RUN,
    );
}

function eachAskedWord(text: string, tag: string, tell: (word: string, from: number) => void): void {
    for (const run of text.matchAll(/\S+/g)) {
        const [whole] = run;
        for (let at = 0; at < whole.length; at += LONGEST_RUN) {
            for (const { segment, index, isWordLike } of segmenterOf(tag).segment(whole.slice(at, at + LONGEST_RUN))) {
                if (isWordLike) tell(segment, run.index + at + index);
            }
        }
    }
}

export function wordsOf(text: string, tag = ''): (Span & { word: string })[] {
    const words: (Span & { word: string })[] = [];
    eachWord(text, tag, (word, from) => words.push({ word, from, to: from + word.length }));
    return words;
}
