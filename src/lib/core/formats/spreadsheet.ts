/** What is meant for spreadsheets: files of ours and copied rows. */

/**
 * A text that a spreadsheet would take for a formula, or let begin one in the next cell, gets an apostrophe in front. A
 * site can write what it likes into a title.
 */
export function plainCell(text: string): string {
    return /^[=+\-@\t\r\n]/.test(text) ? `'${text}` : text;
}
