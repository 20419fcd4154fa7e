import { describe, expect, it } from 'vitest';
import { WAY_END, wayEnds } from './way-ends.ts';

const told = (length: number) => wayEnds(length, (index) => index);

describe('a way', () => {
    it('is told whole while it is short', () => {
        for (const length of [0, 1, 2 * WAY_END, 2 * WAY_END + 1]) {
            expect(told(length)).toEqual({ steps: Array.from({ length }, (_, index) => index), leftOut: 0 });
        }
    });

    it('is told at both ends where it is long', () => {
        const { steps, leftOut } = told(50_000);
        expect(leftOut).toBe(50_000 - 2 * WAY_END);
        expect([steps[0], steps[WAY_END - 1], steps[WAY_END], steps.at(-1)]).toEqual([0, 29, 49_970, 49_999]);
        expect(steps).toHaveLength(2 * WAY_END);
    });
});
