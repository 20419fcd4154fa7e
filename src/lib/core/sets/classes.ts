/** Several sets as one number for each URL. */
import type { Bits } from './bits.ts';

/** Of a URL that none of the sets has. */
export const NO_CLASS = 255;
/** Sets that can be told apart. */
export const MOST_CLASSES = 40;

/** For each node the number of the first set that has it, `NO_CLASS` for none. O(nodes in sets + nodes) */
export function classesOf(sets: readonly Bits[], count: number): Uint8Array<ArrayBuffer> {
    const classes = new Uint8Array(count).fill(NO_CLASS);
    sets.forEach((bits, number) => {
        for (const node of bits.nodes()) if (classes[node] === NO_CLASS) classes[node] = number;
    });
    return classes;
}
