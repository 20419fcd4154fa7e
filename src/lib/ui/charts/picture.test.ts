import { parse } from 'csv-parse/sync';
import { describe, expect, it } from 'vitest';
import { csvOf } from './picture.ts';

describe('the cells of a chart as CSV', () => {
    it('are read back as they were, by another reader', () => {
        const cells = [
            ['name', 'pages'],
            ['plain', '1'],
            ['with, comma', '2'],
            ['with "quotes"', '3'],
            ['with\nline', '4'],
            ['', ''],
        ];
        expect(parse(csvOf(cells))).toEqual(cells);
    });

    it('keep numbers, and nothing for what is not known', () => {
        expect(csvOf([['a', null, 1.5, -2]])).toBe('a,,1.5,-2\r\n');
    });

    it('never become formulas in a spreadsheet: names were read from a site', () => {
        expect(csvOf([['=1+1', '+x', '-x', '@x']])).toBe("'=1+1,'+x,'-x,'@x\r\n");
    });
});
