/** Sentences of a main text (Unicode sentence boundaries, UAX 29), and where each stands. */
import type { Span } from './words.ts';

/** The segmenter's time grows with the square of what it is given: a longer piece is looked at part by part. */
const LONGEST_LOOK = 2_000;

/**
 * Sentences of one piece of text, without the white space around them. A piece longer than one look is parted behind
 * the last sentence of each look, so that no sentence of ordinary length is torn; one longer than a look is cut at it.
 * @param tag language (BCP 47)
 */
export function sentencesOf(text: string, tag = ''): Span[] {
    const spans: Span[] = [];
    const segmenter = sentenceSegmenter(tag);
    for (let at = 0; at < text.length;) {
        const look = text.slice(at, at + LONGEST_LOOK);
        const isLast = at + look.length === text.length;
        const found = [...segmenter.segment(look)];
        // The last of a look may go on behind it.
        const whole = isLast || found.length === 1 ? found : found.slice(0, -1);
        for (const { segment, index } of whole) {
            const from = at + index + (segment.length - segment.trimStart().length);
            const to = from + segment.trim().length;
            if (to > from) spans.push({ from, to });
        }
        const end = whole[whole.length - 1]!;
        at += end.index + end.segment.length;
    }
    return spans;
}

function sentenceSegmenter(tag: string): Intl.Segmenter {
    try {
        return new Intl.Segmenter(tag === '' ? 'en' : tag, { granularity: 'sentence' });
    } catch {
        return new Intl.Segmenter('en', { granularity: 'sentence' });
    }
}
