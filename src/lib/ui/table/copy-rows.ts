/** Rows for the clipboard: tab-separated, one line for each, with a line of names. */
import { plainCell } from '$lib/core/formats/spreadsheet.ts';

type Value = string | number | boolean | null;

/** Rows beyond this are for a file. */
export const MOST_COPIED = 5_000;
const AT_ONCE = 500;

/** A tab or a line end within a value would part it; a text that looks like a formula must not become one. */
function cellOf(value: Value): string {
    return typeof value === 'string' ? plainCell(value.replace(/[\t\r\n]+/g, ' ')) : String(value);
}

/**
 * @param fetchWindow gives rows of the table
 * @returns what was done, as a sentence
 */
export async function copyRows(
    columns: readonly string[],
    fetchWindow: (
        from: number,
        count: number,
    ) => Promise<{ total: number; rows: { record: Record<string, Value | undefined> }[] }>,
): Promise<string> {
    const lines = [columns.join('\t')];
    let total = 0;
    for (let from = 0; from < MOST_COPIED; from += AT_ONCE) {
        const window = await fetchWindow(from, AT_ONCE);
        total = window.total;
        for (const { record } of window.rows) {
            lines.push(columns.map((column) => cellOf(record[column] ?? '')).join('\t'));
        }
        if (from + AT_ONCE >= total) break;
    }
    await navigator.clipboard.writeText(lines.join('\n'));
    const copied = lines.length - 1;
    return copied < total ? `${copied} of ${total} rows copied.` : `${copied} rows copied.`;
}
