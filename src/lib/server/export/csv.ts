/** CSV as RFC 4180 has it, in UTF-8, safe to open in a spreadsheet. */
import { stringify } from 'csv-stringify';
import { stringify as stringifyNow } from 'csv-stringify/sync';
import { plainCell } from '../../core/formats/spreadsheet.ts';

const OPTIONS = {
    header: true,
    record_delimiter: '\r\n',
    // The library quotes what holds its own delimiter; a lone line end would part a record all the same.
    quoted_match: /[\r\n]/,
    cast: {
        boolean: (value: boolean) => (value ? 'true' : 'false'),
        string: plainCell,
    },
};

/** A stream that takes records and gives CSV. Null is an empty cell. */
export function csvStream(columns: readonly string[]) {
    return stringify({ ...OPTIONS, columns: [...columns] });
}

export function csvText(columns: readonly string[], records: object[]): string {
    return stringifyNow(records, { ...OPTIONS, columns: [...columns] });
}
