/** The part of a large picture that is drawn: what is seen of it, and enough around that for it to be moved. */
import type { Window } from './pen.ts';

/** A picture up to this size is drawn whole. */
const MOST_WIDE = 3_000;
const MOST_HIGH = 2_400;
/** Points of a canvas, so that two of them fit into little memory. */
const MOST_POINTS = 9_000_000;

/** What the picture is moved in, as an element tells it. */
type Frame = Pick<Element, 'scrollLeft' | 'scrollTop' | 'clientWidth' | 'clientHeight'>;

export class MapView {
    #size = $state.raw({ width: 0, height: 0 });
    #corner = $state.raw({ left: 0, top: 0 });

    /** What is drawn, on the picture. */
    readonly window = $derived.by<Window>(() => {
        const { width, height } = this.#size;
        const { left, top } = this.#corner;
        return { left, top, right: Math.min(width, left + MOST_WIDE), bottom: Math.min(height, top + MOST_HIGH) };
    });

    /** @param size of the whole picture */
    resize(size: { width: number; height: number }): void {
        if (size.width === this.#size.width && size.height === this.#size.height) return;
        this.#size = { width: size.width, height: size.height };
        this.#corner = { left: 0, top: 0 };
    }

    /** Draws anew only where what is seen comes near to the edge of what is drawn. */
    moved({ scrollLeft, scrollTop, clientWidth, clientHeight }: Frame): void {
        const seen: Window = {
            left: scrollLeft,
            top: scrollTop,
            right: scrollLeft + clientWidth,
            bottom: scrollTop + clientHeight,
        };
        const { width, height } = this.#size;
        const { left, top, right, bottom } = this.window;
        const isNear =
            (seen.left < left + EDGE && left > 0) ||
            (seen.top < top + EDGE && top > 0) ||
            (seen.right > right - EDGE && right < width) ||
            (seen.bottom > bottom - EDGE && bottom < height);
        if (!isNear) return;
        const middle = (from: number, to: number, most: number, whole: number): number =>
            Math.round(Math.max(0, Math.min(whole - most, (from + to - most) / 2)));
        this.#corner = {
            left: middle(seen.left, seen.right, MOST_WIDE, width),
            top: middle(seen.top, seen.bottom, MOST_HIGH, height),
        };
    }
}
const EDGE = 200;

/** Points of the canvas for one of the picture. */
export const pointsFor = (width: number, height: number): number =>
    Math.min(2, globalThis.devicePixelRatio || 1, Math.sqrt(MOST_POINTS / Math.max(1, width * height)));
