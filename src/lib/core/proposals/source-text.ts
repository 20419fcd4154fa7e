/** The text of a page as a place for links: its sentences, word by word, and what of it is taken already. */
import type { Passage, RunningText } from '../page/running-text.ts';
import { languageOf } from '../text/language.ts';
import { sentencesOf } from '../text/sentences.ts';
import { eachWord } from '../text/words.ts';
import type { StemNumbers } from './stem-numbers.ts';

export interface SourceSentence {
    /** Index of its passage. */
    passage: number;
    /** Characters of the passage. */
    from: number;
    to: number;
    /** Its words: from `first` up to, and without, `last`. */
    first: number;
    last: number;
}

export interface SourceText {
    /** Language the page says it is in (BCP 47). */
    tag: string;
    running: RunningText;
    sentences: SourceSentence[];
    /** Of each word of all sentences its stem, as a number; -1 for words that say nothing. */
    stem: Int32Array;
    /** Where each begins and ends in its passage. */
    from: Uint32Array;
    to: Uint32Array;
    /** 1 for words of links and short quotations. */
    isTaken: Uint8Array;
}

/** A cell of a table is text where it says this many words. */
const FEWEST_CELL_WORDS = 6;
/** Sentences with fewer words are labels. */
const FEWEST_WORDS = 4;

/**
 * Which passages can carry a link: running text and cells that say something, outside shared blocks; never headings,
 * labels, code or quotations.
 */
const canCarry = ({ kind, block }: Passage, isShared: (block: number) => boolean): boolean =>
    (kind === 'prose' || kind === 'cell') && (block < 0 || !isShared(block));

/**
 * @param isShared tells for the order of a block of the page whether it stands on other pages too
 * @param tag language of the page (BCP 47)
 */
export function sourceText(
    running: RunningText,
    isShared: (block: number) => boolean,
    tag: string,
    stems: StemNumbers,
): SourceText {
    const numberOf = stems.of(languageOf(tag));
    const sentences: SourceSentence[] = [];
    const stem: number[] = [];
    const from: number[] = [];
    const to: number[] = [];
    const taken: number[] = [];
    running.passages.forEach((passage, index) => {
        if (!canCarry(passage, isShared)) return;
        let next = 0;
        for (const span of sentencesOf(passage.text, tag)) {
            const first = stem.length;
            eachWord(passage.text.slice(span.from, span.to), tag, (word, at) => {
                const begin = span.from + at;
                while (next < passage.taken.length && passage.taken[next]!.to <= begin) next++;
                const other = passage.taken[next];
                stem.push(numberOf(word));
                from.push(begin);
                to.push(begin + word.length);
                taken.push(other !== undefined && other.from < begin + word.length ? 1 : 0);
            });
            const words = stem.length - first;
            if (words >= (passage.kind === 'cell' ? FEWEST_CELL_WORDS : FEWEST_WORDS)) {
                sentences.push({ passage: index, ...span, first, last: stem.length });
            } else stem.length = from.length = to.length = taken.length = first;
        }
    });
    return {
        tag,
        running,
        sentences,
        stem: Int32Array.from(stem),
        from: Uint32Array.from(from),
        to: Uint32Array.from(to),
        isTaken: Uint8Array.from(taken),
    };
}
