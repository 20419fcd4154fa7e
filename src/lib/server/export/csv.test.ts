import { describe, expect, it } from 'vitest';
import { csvHeader, csvRow, type CsvRecord } from '../../core/formats/csv.ts';
import { csvPieces } from './csv.ts';

const COLUMNS = ['number', 'words'];
const records = Array.from({ length: 6_000 }, (_, number) => ({ number, words: 'a word, '.repeat(number % 9) }));

async function piecesOf(groups: Parameters<typeof csvPieces>[1]): Promise<string[]> {
    const pieces: string[] = [];
    for await (const piece of csvPieces(COLUMNS, groups)) pieces.push(piece);
    return pieces;
}

/** Groups of one, none, two, three … records, one after the other. */
async function* groups(): AsyncGenerator<CsvRecord[]> {
    for (let from = 0, size = 1; from < records.length; from += size++) {
        yield await Promise.resolve(records.slice(from, from + size));
        yield [];
    }
}

describe('csvPieces', () => {
    const whole = csvHeader(COLUMNS) + records.map((record) => csvRow(COLUMNS, record)).join('');

    it('writes every record once, in whichever groups they come', async () => {
        expect((await piecesOf([records])).join('')).toBe(whole);
        expect((await piecesOf(groups())).join('')).toBe(whole);
    });

    it('writes large pieces, and the header alone where there is nothing', async () => {
        const pieces = await piecesOf(groups());
        expect(pieces.length).toBeGreaterThan(2);
        for (const piece of pieces.slice(0, -1)) expect(piece.length).toBeGreaterThanOrEqual(65_536);
        expect(await piecesOf([])).toEqual(['number,words\r\n']);
    });
});
