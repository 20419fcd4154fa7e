/** The words of a text, and where each stands in it (Unicode word boundaries, UAX 29). */

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

/** Letters and digits that no rule of any language parts, and the punctuation that may stand around them. */
const PLAIN = /^(["'([{<]*)([A-Za-z0-9\u00c0-\u00d6\u00d8-\u00f6\u00f8-\u024f]+)["')\]}>.,;:!?]*$/;
/** The segmenter's time grows with the square of what it is given: a run without white space is cut into these. */
const LONGEST_RUN = 500;

/**
 * Calls back for each word, in order. The text is looked at run by run between white space, where there is a boundary
 * anyway; a run that is one plain word is taken without asking. O(characters).
 * @param tag language (BCP 47), which decides for texts without spaces
 */
export function eachWord(text: string, tag: string, tell: (word: string, from: number) => void): void {
    const runs = /\S+/g;
    for (let run = runs.exec(text); run; run = runs.exec(text)) {
        const [whole] = run;
        const plain = PLAIN.exec(whole);
        if (plain) {
            tell(plain[2]!, run.index + plain[1]!.length);
            continue;
        }
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
