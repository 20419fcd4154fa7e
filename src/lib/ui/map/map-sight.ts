/** The frame that the picture is moved in: what is brought into sight, and what stays where it is while it grows. */
import type { MapPlace, MapPlaces } from './map-place.ts';
import { isStill } from './picture-drawing.svelte.ts';

/** What stands at the left of the picture, and above it. */
export const BESIDE = 52;
const ABOVE = 40;
/** So many milliseconds a pointer rests on a page before its links are asked for. */
export const REST = 90;

/** Moves the frame so that a place is seen; not at all where it is. */
export function bringInSight(frame: HTMLElement, { x, y, width, height }: MapPlace): void {
    const { scrollLeft, scrollTop, clientWidth, clientHeight } = frame;
    const isAside = x < scrollLeft || x + Math.min(width, 40) > scrollLeft + clientWidth - BESIDE;
    const isAbove = y < scrollTop || y + height > scrollTop + clientHeight - ABOVE;
    if (!isAside && !isAbove) return;
    frame.scrollTo({
        left: isAside ? Math.max(0, x - clientWidth / 2) : scrollLeft,
        top: isAbove ? Math.max(0, y - clientHeight / 2) : scrollTop,
        behavior: isStill() ? 'instant' : 'smooth',
    });
}

/** A page, and where it is in the frame. */
export interface Held {
    node: number;
    x: number;
    y: number;
}

export function held(frame: HTMLElement, place: MapPlace | null): Held | null {
    const node = place?.nodes[0];
    if (!place || node === undefined) return null;
    return { node, x: place.x - frame.scrollLeft, y: place.y - frame.scrollTop };
}

/** Moves the frame so that a page is where it was, wherever it is drawn now. */
export function putBack(frame: HTMLElement, places: MapPlaces, { node, x, y }: Held): void {
    const place = places.of(node);
    if (place) frame.scrollTo({ left: place.x - x, top: place.y - y, behavior: 'instant' });
}

/** Turns of the wheel, so many as make a step. */
export class Turns {
    #turned = 1;

    /** @returns how many times as large it is to be drawn; null while it has not turned far enough */
    by(delta: number): number | null {
        this.#turned *= Math.exp(-delta / 200);
        if (this.#turned > 0.87 && this.#turned < 1.15) return null;
        const turned = this.#turned;
        this.#turned = 1;
        return turned;
    }
}
