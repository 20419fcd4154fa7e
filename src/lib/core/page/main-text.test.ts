import { describe, expect, it } from 'vitest';
import { mainTextOf, packOutline, unpackOutline } from './main-text.ts';

const PIECES = [
    { block: -1, text: 'Mend a chair' },
    { block: 4, text: 'See also' },
    { block: 2, text: 'Saws and blades' },
    { block: 4, text: 'Glue' },
    { block: 7, text: '' },
];

describe('the main text', () => {
    it('leaves out what shared blocks hold, and pieces without words', () => {
        expect(mainTextOf(PIECES, (block) => block === 4)).toBe('Mend a chair\nSaws and blades');
        expect(mainTextOf(PIECES, () => true)).toBe('Mend a chair');
    });
});

describe('its outline', () => {
    const hash = (text: string): Uint8Array => Uint8Array.from({ length: 8 }, (_, index) => text.length + index);

    it('keeps hash, words and the blocks that hold text', () => {
        const whole = 'Mend a chair\nSee also\nSaws and blades\nGlue';
        const outline = unpackOutline(packOutline(PIECES, 9, hash));
        expect(outline?.words).toBe(9);
        expect(outline?.blocks).toEqual([2, 4]);
        expect([...(outline?.hash ?? [])]).toEqual(Array.from({ length: 8 }, (_, index) => whole.length + index));
    });

    it('is empty without text, and nothing when read from an empty row', () => {
        expect(packOutline([{ block: 1, text: '' }], 0, hash)).toHaveLength(0);
        expect(unpackOutline(new Uint8Array(0))).toBeNull();
    });

    it('can be read from bytes that lie inside a larger buffer', () => {
        const packed = packOutline(PIECES, 9, hash);
        const larger = new Uint8Array(packed.length + 7);
        larger.set(packed, 3);
        expect(unpackOutline(larger.subarray(3, 3 + packed.length))?.blocks).toEqual([2, 4]);
    });
});
