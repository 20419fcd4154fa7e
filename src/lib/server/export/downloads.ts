/** Exports as answers of the web server. */
import { Readable } from 'node:stream';
import { csvStream } from './csv.ts';

function download(name: string, type: string, stream: Readable): Response {
    return new Response(Readable.toWeb(stream) as ReadableStream, {
        headers: {
            'content-type': type,
            'content-disposition': `attachment; filename="${name.replace(/[^a-z0-9.-]+/gi, '-')}"`,
        },
    });
}

/** A CSV file that is written while it is sent. */
export function csvAnswer(
    name: string,
    columns: readonly string[],
    records: Iterable<object> | AsyncIterable<object>,
): Response {
    return download(name, 'text/csv; charset=utf-8', Readable.from(records).pipe(csvStream(columns)));
}

/** One JSON object to a line. */
export function ndjsonAnswer(name: string, records: Iterable<object> | AsyncIterable<object>): Response {
    async function* lines() {
        for await (const record of records) yield `${JSON.stringify(record)}\n`;
    }
    return download(name, 'application/x-ndjson', Readable.from(lines()));
}

/** A text written piece by piece. */
export function textAnswer(name: string, type: string, pieces: Iterable<string>): Response {
    return download(name, `${type}; charset=utf-8`, Readable.from(pieces));
}
