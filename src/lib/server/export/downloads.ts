/** Exports as answers of the web server. */
import { Readable } from 'node:stream';
import { csvStream } from './csv.ts';

/** A CSV file that is written while it is sent. */
export function csvAnswer(name: string, columns: readonly string[], records: Iterable<object>): Response {
    const stream = Readable.from(records).pipe(csvStream(columns));
    return new Response(Readable.toWeb(stream) as ReadableStream, {
        headers: {
            'content-type': 'text/csv; charset=utf-8',
            'content-disposition': `attachment; filename="${name.replace(/[^a-z0-9.-]+/gi, '-')}"`,
        },
    });
}
