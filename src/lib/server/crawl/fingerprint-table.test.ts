import { describe, expect, it } from 'vitest';
import { FingerprintTable } from './fingerprint-table.ts';

describe('FingerprintTable', () => {
    it('gives every content one number, in the order of first sight, as a map would', () => {
        const table = new FingerprintTable();
        const map = new Map<string, number>();
        for (let index = 0; index < 30_000; index++) {
            const content = `content ${(index * 7_919) % 9_001}`;
            const known = map.get(content);
            if (known === undefined) map.set(content, map.size);
            expect(table.number(content)).toEqual({ id: map.get(content), isNew: known === undefined });
        }
        expect(table.size).toBe(9_001);
    });

    it('goes on from stored numbers, and refuses rows that contradict themselves', () => {
        const table = new FingerprintTable();
        table.restore('a', 0);
        table.restore('b', 1);
        expect(table.number('b')).toEqual({ id: 1, isNew: false });
        expect(table.number('c')).toEqual({ id: 2, isNew: true });
        expect(() => table.restore('a', 3)).toThrow();
    });
});
