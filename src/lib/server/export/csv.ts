/** CSV files piece by piece, while they are written or sent. */
import { csvHeader, csvRow, type CsvRecord } from '../../core/formats/csv.ts';
import { breather } from '../process/breather.ts';

/** Records, so many at once as one reading gives. */
export type RecordGroups = Iterable<Iterable<CsvRecord>> | AsyncIterable<Iterable<CsvRecord>>;

/** Written or sent at once: a piece costs a call of the system. */
const CHARACTERS_AT_ONCE = 65_536;

/** Between records others have their turn. */
export async function* csvPieces(columns: readonly string[], groups: RecordGroups): AsyncGenerator<string> {
    const breathe = breather();
    let waiting = csvHeader(columns);
    for await (const records of groups) {
        for (const record of records) {
            waiting += csvRow(columns, record);
            if (waiting.length >= CHARACTERS_AT_ONCE) {
                yield waiting;
                waiting = '';
            }
            const turn = breathe();
            if (turn) await turn;
        }
    }
    if (waiting !== '') yield waiting;
}
