import { describe, expect, it } from 'vitest';
import { idHashes, isLost } from './fragments.ts';

const ids = idHashes(['members', 'fées', 'a%20b', 'Top-10'])!;

describe('a fragment', () => {
    it.each([
        ['members', false],
        ['Members', true],
        ['f%C3%A9es', false],
        // As written comes first: an id may hold a percent sign.
        ['a%20b', false],
        ['gone', true],
        ['', false],
        ['top', false],
        ['TOP', false],
        ['top-10', true],
        [':~:text=hours', false],
        ['members:~:text=hours', false],
        ['gone:~:text=hours', true],
        ['%E0%A4', true],
    ])('#%s is lost: %s', (fragment, lost) => {
        expect(isLost(fragment, ids)).toBe(lost);
    });

    it('is known of every id of a large document, and of none that has more than are kept', () => {
        const many = Array.from({ length: 19_999 }, (_, number) => `id-${number}`);
        const hashes = idHashes(many)!;
        expect(many.filter((id) => isLost(id, hashes))).toEqual([]);
        // Hashes of 32 bits: of 20,000 others about one in ten thousand is taken for one that is there.
        const others = Array.from({ length: 20_000 }, (_, number) => `other-${number}`);
        expect(others.filter((id) => !isLost(id, hashes)).length).toBeLessThan(5);
        expect(idHashes([...many, 'last'])).toBeNull();
    });
});
