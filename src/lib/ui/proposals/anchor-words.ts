/** The words of an anchor within its sentence, as they grow and shrink: by whole words, never across a link or a run. */
import type { ShownWord } from '../../core/views/proposals.ts';

/** Indexes of words: the second is behind the last. */
export type AnchorSpan = readonly [number, number];

export const MOST_WORDS = 8;

/** How far an anchor that stands on a word may reach: the free words of its run. */
export function reachOf(words: readonly ShownWord[], [from, to]: AnchorSpan): AnchorSpan {
    const { run } = words[from]!;
    let first = from;
    while (first > 0 && words[first - 1]!.run === run && !words[first - 1]!.isTaken) first--;
    let last = to;
    while (last < words.length && words[last]!.run === run && !words[last]!.isTaken) last++;
    return [first, last];
}

/** The anchor with one end moved by words; as it was where it may not go there. */
export function moved(words: readonly ShownWord[], span: AnchorSpan, end: 'start' | 'end', by: number): AnchorSpan {
    const [first, last] = reachOf(words, span);
    const next: AnchorSpan = end === 'start' ? [span[0] + by, span[1]] : [span[0], span[1] + by];
    const isWithin = next[0] >= first && next[1] <= last && next[0] < next[1] && next[1] - next[0] <= MOST_WORDS;
    return isWithin ? next : span;
}

/** The anchor with one end at a word that was pointed at; as near to it as it may come. */
export function drawnTo(words: readonly ShownWord[], span: AnchorSpan, end: 'start' | 'end', word: number): AnchorSpan {
    const [first, last] = reachOf(words, span);
    if (end === 'start') {
        return [Math.min(Math.max(word, first, span[1] - MOST_WORDS), span[1] - 1), span[1]];
    }
    return [span[0], Math.max(Math.min(word + 1, last, span[0] + MOST_WORDS), span[0] + 1)];
}

/** The text of the anchor. */
export function anchorText(passage: string, words: readonly ShownWord[], [from, to]: AnchorSpan): string {
    return passage.slice(words[from]!.from, words[to - 1]!.to);
}

export interface SentencePiece {
    text: string;
    /** Index of the word; -1 for what stands between words. */
    word: number;
    state: 'anchor' | 'reach' | 'taken' | 'plain';
}

/** The sentence piece by piece, each with what it is to the anchor. */
export function piecesOf(
    passage: string,
    from: number,
    to: number,
    words: readonly ShownWord[],
    span: AnchorSpan,
): SentencePiece[] {
    const [first, last] = reachOf(words, span);
    const pieces: SentencePiece[] = [];
    let at = from;
    words.forEach((word, index) => {
        const isAnchor = index >= span[0] && index < span[1];
        if (word.from > at) {
            const isInside = index > span[0] && index < span[1];
            pieces.push({ text: passage.slice(at, word.from), word: -1, state: isInside ? 'anchor' : 'plain' });
        }
        const state = word.isTaken ? 'taken' : isAnchor ? 'anchor' : index >= first && index < last ? 'reach' : 'plain';
        pieces.push({ text: passage.slice(word.from, word.to), word: index, state });
        at = word.to;
    });
    if (at < to) pieces.push({ text: passage.slice(at, to), word: -1, state: 'plain' });
    return pieces;
}
