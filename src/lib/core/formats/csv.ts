/** Rows of CSV as RFC 4180 has them, safe to open in a spreadsheet. */
import { plainCell } from './spreadsheet.ts';

/** What a cell cannot hold without quotes (RFC 4180, section 2). */
const NEEDS_QUOTES = /[",\r\n]/;

/** Null, and what is left out: not known, an empty cell. */
export type CsvCell = string | number | boolean | null | undefined;
export type CsvRecord = Readonly<Record<string, CsvCell>>;

function cellOf(value: CsvCell): string {
    if (typeof value === 'string') {
        const text = plainCell(value);
        return NEEDS_QUOTES.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
    }
    return value === null || value === undefined ? '' : String(value);
}

/** A record with its line end. */
export function csvRow(columns: readonly string[], record: CsvRecord): string {
    let row = '';
    for (let at = 0; at < columns.length; at++) row += (at === 0 ? '' : ',') + cellOf(record[columns[at]!]);
    return `${row}\r\n`;
}

/** The names of the columns as a row. */
export const csvHeader = (columns: readonly string[]): string => `${columns.map(cellOf).join(',')}\r\n`;
