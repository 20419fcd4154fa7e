import { describe, expect, it } from 'vitest';
import { nearDoubles } from './near-doubles.ts';
import { SIGNATURE_SIZE, type Signature } from './signature.ts';

/** A signature whose first places are those of another. */
const sharing = (places: number, seed: number): Signature =>
    Uint32Array.from({ length: SIGNATURE_SIZE }, (_, at) => (at < places ? at + 1 : seed * 1_000 + at));

describe('nearDoubles', () => {
    it('takes texts from a likeness of 0.85 on: 28 of 32 places, and not 27', () => {
        expect([...nearDoubles([sharing(32, 1), sharing(28, 2)])]).toEqual([0, 0]);
        expect([...nearDoubles([sharing(32, 1), sharing(27, 2)])]).toEqual([-1, -1]);
        expect([...nearDoubles([sharing(32, 1), sharing(20, 2)])]).toEqual([-1, -1]);
    });
});
