import { describe, expect, it } from 'vitest';
import { columnName, proposedRoles, takenColumns } from './taken-columns.ts';

const PREVIEW = {
    separator: ',',
    rows: [
        ['Page', 'Visits', ''],
        ['/a', '3', 'x', 'more'],
    ],
    mapping: { hasHeader: true, url: 0, source: null, kept: [{ index: 1, type: 'number' as const, name: 'Visits' }] },
};

describe('the roles that are proposed', () => {
    it('are one a column of the widest row; what is not taken is left out', () => {
        expect(proposedRoles(PREVIEW)).toEqual(['url', 'number', 'left', 'left']);
    });
});

describe('the name of a column', () => {
    it('is that of the first row, else its place from 1', () => {
        expect([0, 1, 2, 3].map((index) => columnName(PREVIEW, index))).toEqual([
            'Page',
            'Visits',
            'column 3',
            'column 4',
        ]);
    });

    it('is the place where the first row names nothing', () => {
        const bare = { ...PREVIEW, mapping: { ...PREVIEW.mapping, hasHeader: false } };
        expect(columnName(bare, 0)).toBe('column 1');
    });
});

describe('the mapping', () => {
    it('keeps numbers and dates under their names', () => {
        expect(takenColumns(PREVIEW, ['left', 'url', 'date', 'left'], 'visits')).toEqual({
            ok: true,
            mapping: { hasHeader: true, url: 1, source: null, kept: [{ index: 2, type: 'date', name: 'column 3' }] },
        });
    });

    it('needs an address, and of links of other sites the page that links', () => {
        expect(takenColumns(PREVIEW, ['left', 'number'], 'visits').ok).toBe(false);
        expect(takenColumns(PREVIEW, ['url', 'number'], 'external').ok).toBe(false);
        expect(takenColumns(PREVIEW, ['url', 'source'], 'external')).toMatchObject({
            mapping: { url: 0, source: 1 },
        });
    });
});
