/** An intended structure as it is pasted or uploaded: an outline, or CSV with the columns page, parent, priority. */
import { CsvError, parse } from 'csv-parse/sync';
import { z } from 'zod';
import { readIntendedRows, readOutline, type ReadIntended } from '../core/compare/intended.ts';

export const MOST_CHARACTERS = 1_000_000;
const Rows = z.array(z.record(z.string(), z.string()));
const HEAD = /^\s*"?page"?\s*([,;\t])/i;

export function readIntended(text: string): ReadIntended {
    if (text.length > MOST_CHARACTERS) {
        return {
            ok: false,
            say: `The list is longer than ${MOST_CHARACTERS.toLocaleString('en')} characters. Keep to the upper levels.`,
        };
    }
    const plain = text.replace(/^\uFEFF/, '');
    const head = HEAD.exec(plain);
    if (!head) return readOutline(plain);
    let rows: z.infer<typeof Rows>;
    try {
        rows = Rows.parse(
            parse(plain, {
                columns: (names: string[]) => names.map((name) => name.trim().toLowerCase()),
                delimiter: head[1]!,
                skip_empty_lines: true,
                relax_column_count: true,
            }),
        );
    } catch (error) {
        const line = error instanceof CsvError && typeof error.lines === 'number' ? error.lines : null;
        return {
            ok: false,
            say: `The CSV cannot be read${line === null ? '' : ` at line ${line}`}. Close every quote, and part cells as the first line does.`,
        };
    }
    return readIntendedRows(
        rows.map((row) => ({ page: row.page ?? '', parent: row.parent ?? '', priority: row.priority ?? '' })),
    );
}
