/** CSV as RFC 4180 has it, in UTF-8, safe to open in a spreadsheet. */
import { stringify } from 'csv-stringify';
import { stringify as stringifyNow } from 'csv-stringify/sync';

/** A text that a spreadsheet would take for a formula gets a leading apostrophe. */
function plainText(value: string): string {
    return /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
}

const OPTIONS = {
    header: true,
    record_delimiter: '\r\n',
    // The library quotes what holds its own delimiter; a lone line end would part a record all the same.
    quoted_match: /[\r\n]/,
    cast: {
        boolean: (value: boolean) => (value ? 'true' : 'false'),
        string: plainText,
    },
};

/** A stream that takes records and gives CSV. Null is an empty cell. */
export function csvStream(columns: readonly string[]) {
    return stringify({ ...OPTIONS, columns: [...columns] });
}

export function csvText(columns: readonly string[], records: object[]): string {
    return stringifyNow(records, { ...OPTIONS, columns: [...columns] });
}
