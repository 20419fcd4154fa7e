import { describe, expect, it } from 'vitest';
import type { MapPlace, MapPlaces } from './map-place.ts';
import { held, putBack, Turns } from './map-sight.ts';

const place = (node: number, x: number, y: number): MapPlace => ({
    nodes: [node],
    x,
    y,
    width: 10,
    height: 10,
    group: null,
    into: null,
});
/** A picture in which each page is drawn at one place. */
const placesAt = (of: Record<number, MapPlace>): MapPlaces => ({
    at: () => null,
    of: (node) => of[node] ?? null,
    next: (from) => from,
    within: () => [],
    first: () => null,
});
/** As much of an element as moving needs. */
function frameAt(scrollLeft: number, scrollTop: number): HTMLElement {
    const frame = {
        scrollLeft,
        scrollTop,
        scrollTo: ({ left, top }: ScrollToOptions) => Object.assign(frame, { scrollLeft: left, scrollTop: top }),
    };
    return frame as unknown as HTMLElement;
}

describe('a page under the pointer', () => {
    it('is where it was in the frame when all around it has grown', () => {
        const frame = frameAt(0, 30);
        const page = held(frame, place(7, 100, 130))!;
        putBack(frame, placesAt({ 7: place(7, 260, 520) }), page);
        // It was 100 points down in the frame, and is: 520 - 420.
        expect([260 - frame.scrollLeft, 520 - frame.scrollTop]).toEqual([100, 100]);
    });

    it('that is drawn no more moves nothing, and no page holds nothing', () => {
        const frame = frameAt(5, 30);
        putBack(frame, placesAt({}), { node: 7, x: 1, y: 1 });
        expect([frame.scrollLeft, frame.scrollTop]).toEqual([5, 30]);
        expect(held(frame, null)).toBeNull();
        expect(held(frame, { ...place(7, 1, 1), nodes: [] })).toBeNull();
    });
});

describe('turns of the wheel', () => {
    it('make a step when they are enough together, and begin anew behind it', () => {
        const turns = new Turns();
        expect(turns.by(-15)).toBeNull();
        expect(turns.by(-15)).toBeCloseTo(Math.exp(30 / 200), 9);
        expect(turns.by(-15)).toBeNull();
        // There and back is no step.
        expect(turns.by(15)).toBeNull();
        expect(turns.by(200)).toBeLessThan(0.5);
    });
});
