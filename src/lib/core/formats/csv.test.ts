import { stringify } from 'csv-stringify/sync';
import { describe, expect, it } from 'vitest';
import { seededNumbers } from '../graph/random-walks.ts';
import { csvHeader, csvRow, type CsvCell } from './csv.ts';

describe('csvRow', () => {
    it('is RFC 4180: quotes doubled, CRLF behind a record, lone line ends within quotes', () => {
        expect(csvRow(['a', 'b'], { a: 'say "hi"', b: 'x,y' })).toBe('"say ""hi""","x,y"\r\n');
        expect(csvRow(['a', 'b'], { a: 'two\nlines', b: 1 })).toBe('"two\nlines",1\r\n');
        expect(csvRow(['a'], { a: 'one\rtwo' })).toBe('"one\rtwo"\r\n');
        expect(csvHeader(['a', 'b,c'])).toBe('a,"b,c"\r\n');
    });

    it('writes booleans in words and the unknown as nothing', () => {
        expect(csvRow(['a', 'b', 'c', 'd'], { a: true, b: false, c: null })).toBe('true,false,,\r\n');
    });

    it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx', '\rx'])('takes the sting out of %j', (text) => {
        expect(csvRow(['a'], { a: text })).toContain(`'${text}`);
    });

    it('leaves numbers and other texts alone', () => {
        expect(csvRow(['a', 'b'], { a: -1, b: 'a=b' })).toBe('-1,a=b\r\n');
    });

    it('writes what a well-known library writes, for records of any letters', () => {
        const next = seededNumbers(4180);
        const letters = ['a', ' ', '"', ',', '\r', '\n', ';', 'é', '語', '=', "'", '\t', '0'];
        const cell = (): CsvCell => {
            const kind = next();
            if (kind < 0.1) return null;
            if (kind < 0.2) return next() < 0.5;
            if (kind < 0.3) return Math.round((next() - 0.5) * 1e6) / 100;
            return Array.from(
                { length: Math.floor(next() * 6) },
                () => letters[Math.floor(next() * letters.length)],
            ).join('');
        };
        const columns = ['one', 'two', 'three'];
        for (let round = 0; round < 2_000; round++) {
            const record = { one: `x${String(cell())}`, two: `x${String(cell())}`, three: cell() };
            // Formulas are ours to defuse: here none begins a cell.
            if (typeof record.three === 'string') record.three = `x${record.three}`;
            expect(csvRow(columns, record)).toBe(
                stringify([record], {
                    columns,
                    record_delimiter: '\r\n',
                    quoted_match: /[\r\n]/,
                    cast: { boolean: String },
                }),
            );
        }
    });
});
