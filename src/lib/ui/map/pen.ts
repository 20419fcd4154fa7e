/** What the map is drawn with: the same few strokes on a canvas, and in a file of vectors. */
import { headOf } from '../../core/page/cut-text.ts';

export interface Point {
    x: number;
    y: number;
}

export interface Stroke {
    colour: string;
    wide: number;
    /** Lengths of dashes and gaps; none for a line that goes on. */
    dash?: readonly number[];
    /** How much of what lies under it is covered. */
    share?: number;
}

export interface Pen {
    fill(x: number, y: number, width: number, height: number, colour: string): void;
    /** A line around a place, within it. */
    outline(x: number, y: number, width: number, height: number, stroke: Stroke): void;
    /** Slanted lines, so far from each other. */
    hatch(x: number, y: number, width: number, height: number, colour: string, step: number): void;
    /** A glyph drawn on twelve units, in a square. */
    glyph(path: string, x: number, y: number, size: number, colour: string): void;
    /** Words, their middle at `y`. */
    text(words: string, x: number, y: number, colour: string, weight?: TextWeight): void;
    widthOf(words: string, weight?: TextWeight): number;
    /** Straight lines from point to point. */
    line(points: readonly Point[], stroke: Stroke): void;
    /** One bow from point to point, by a third that it bends towards. */
    bow(from: Point, towards: Point, to: Point, stroke: Stroke): void;
    /** How much of what lies under it is covered by what is drawn from here on: 1 for all. */
    cover(share: number): void;
    /** Draws with another corner: what is at nothing stands there. */
    moved(x: number, y: number, draw: () => void): void;
}

export type TextWeight = 'plain' | 'bold';

/** The part of a picture that is seen. */
export interface Window {
    left: number;
    top: number;
    right: number;
    bottom: number;
}

export const isSeen = (
    { left, top, right, bottom }: Window,
    x: number,
    y: number,
    wide: number,
    high: number,
): boolean => x < right && x + wide > left && y < bottom && y + high > top;

/** The longest beginning of a text that fits, with a sign that it is cut; null where hardly anything of it would. */
export function cutTo(pen: Pen, words: string, room: number, weight: TextWeight = 'plain'): string | null {
    if (pen.widthOf(words, weight) <= room) return words;
    let [short, long] = [0, words.length];
    while (short + 1 < long) {
        const middle = (short + long) >> 1;
        if (pen.widthOf(`${words.slice(0, middle)}…`, weight) <= room) short = middle;
        else long = middle;
    }
    return short <= LEAST_LETTERS ? null : `${headOf(words, short)}…`;
}
const LEAST_LETTERS = 4;
