/** CSV as RFC 4180 has it, in UTF-8, safe to open in a spreadsheet. */
import { stringify } from 'csv-stringify/sync';
import { plainCell } from '../../core/formats/spreadsheet.ts';
import { breather } from '../process/breather.ts';

const OPTIONS = {
    record_delimiter: '\r\n',
    // The library quotes what holds its own delimiter; a lone line end would part a record all the same.
    quoted_match: /[\r\n]/,
    cast: {
        boolean: (value: boolean) => (value ? 'true' : 'false'),
        string: plainCell,
    },
};

/** Records put into one piece of text. */
const RECORDS_AT_ONCE = 100;

/** The same piece by piece; between pieces others have their turn. */
export async function* csvPieces(
    columns: readonly string[],
    records: Iterable<object> | AsyncIterable<object>,
): AsyncGenerator<string> {
    const breathe = breather();
    let waiting: object[] = [];
    yield csvText(columns, []);
    for await (const record of records) {
        waiting.push(record);
        if (waiting.length === RECORDS_AT_ONCE) {
            yield textOf(columns, waiting, false);
            waiting = [];
        }
        await breathe();
    }
    if (waiting.length > 0) yield textOf(columns, waiting, false);
}

/** The whole of it. Null is an empty cell. */
export function csvText(columns: readonly string[], records: object[]): string {
    return textOf(columns, records, true);
}

function textOf(columns: readonly string[], records: object[], header: boolean): string {
    return stringify(records, { ...OPTIONS, header, columns: [...columns] });
}
