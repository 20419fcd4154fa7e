/** The received source of a page as lines of text, a bounded piece of it around the line that is looked for. */
import { decodeDocument } from './crawl/charset.ts';

export interface SourceView {
    /** Lines shown; the first has the number `from`. */
    lines: string[];
    from: number;
    /** Lines of the whole document. */
    total: number;
    encoding: string;
    bytes: number;
}

/** Lines shown at once, and characters of one. */
const LINES_SHOWN = 600;
const LONGEST_LINE = 20_000;

/** @param line the line to have in the middle, from 1 */
export function viewSource(bytes: Uint8Array, contentType: string, line: number): SourceView {
    const { text, encoding } = decodeDocument(bytes, contentType);
    // The same ends of lines as where links are placed: LF, CR and CRLF.
    const all = text.split(/\r\n?|\n/);
    const from = Math.max(1, Math.min(line - LINES_SHOWN / 2, all.length - LINES_SHOWN + 1));
    const lines = all
        .slice(from - 1, from - 1 + LINES_SHOWN)
        .map((item) =>
            item.length > LONGEST_LINE
                ? `${item.slice(0, LONGEST_LINE)} … (${item.length - LONGEST_LINE} characters more)`
                : item,
        );
    return { lines, from, total: all.length, encoding, bytes: bytes.length };
}
