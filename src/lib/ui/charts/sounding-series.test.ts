import { describe, expect, it } from 'vitest';
import { soundingSeries } from './sounding-series.ts';

describe('soundingSeries', () => {
    it('fills what may be indexed; with what is open behind it each row is as long as its pages', () => {
        const rows = [
            { pages: 1, indexable: 1 },
            { pages: 40, indexable: 31 },
            { pages: 7, indexable: 0 },
        ];
        const { filled, open } = soundingSeries(rows);
        expect(filled).toEqual([1, 31, 0]);
        expect(open).toEqual([0, 9, 7]);
    });
});
