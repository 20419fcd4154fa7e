/** Where an offset lies in a text: line and column, both from 1; LF, CR and CRLF each end a line. */
export interface TextPlace {
    line: number;
    column: number;
}

/** Builds a finder of places in one text. O(length) once, then O(log lines) for each question. */
export function lineIndex(text: string): (offset: number) => TextPlace {
    const starts = [0];
    if (text.includes('\r')) {
        const breaks = /\r\n?|\n/g;
        while (breaks.exec(text)) starts.push(breaks.lastIndex);
    } else for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
    return (offset) => {
        let low = 0;
        let high = starts.length - 1;
        while (low < high) {
            const middle = (low + high + 1) >> 1;
            if ((starts[middle] ?? 0) <= offset) low = middle;
            else high = middle - 1;
        }
        return { line: low + 1, column: offset - (starts[low] ?? 0) + 1 };
    };
}
