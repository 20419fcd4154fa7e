import { describe, expect, it } from 'vitest';
import { Bits } from './bits.ts';
import { classesOf, NO_CLASS } from './classes.ts';

const setOf = (count: number, nodes: number[]): Bits => {
    const bits = new Bits(count);
    for (const node of nodes) bits.add(node);
    return bits;
};

describe('several sets as one number for each page', () => {
    it('is the number of the first that has it', () => {
        expect([...classesOf([setOf(5, [1, 2]), setOf(5, [2, 3])], 5)]).toEqual([NO_CLASS, 0, 0, 1, NO_CLASS]);
        expect([...classesOf([], 2)]).toEqual([NO_CLASS, NO_CLASS]);
    });
});
