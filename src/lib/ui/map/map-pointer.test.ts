import { describe, expect, it } from 'vitest';
import { isInside } from './map-pointer.svelte.ts';

describe('the inside of an outline', () => {
    it('is what a rectangle says of itself', () => {
        const square = [
            { x: 2, y: 2 },
            { x: 8, y: 2 },
            { x: 8, y: 6 },
            { x: 2, y: 6 },
        ];
        for (let x = 0.5; x < 10; x++) {
            for (let y = 0.5; y < 10; y++) {
                expect(isInside(square, x, y), `${x} ${y}`).toBe(x > 2 && x < 8 && y > 2 && y < 6);
            }
        }
    });

    it('leaves out the bay of a horseshoe, whichever way round it was drawn', () => {
        const shoe = [
            { x: 0, y: 0 },
            { x: 9, y: 0 },
            { x: 9, y: 9 },
            { x: 6, y: 9 },
            { x: 6, y: 3 },
            { x: 3, y: 3 },
            { x: 3, y: 9 },
            { x: 0, y: 9 },
        ];
        for (const around of [shoe, [...shoe].reverse()]) {
            expect(isInside(around, 4.5, 6)).toBe(false);
            expect(isInside(around, 1.5, 6)).toBe(true);
            expect(isInside(around, 7.5, 6)).toBe(true);
            expect(isInside(around, 4.5, 1.5)).toBe(true);
        }
    });
});
