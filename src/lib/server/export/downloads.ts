/** Exports as answers of the web server. */
import { Readable } from 'node:stream';
import { breather } from '../process/breather.ts';
import { csvPieces, type RecordGroups } from './csv.ts';

function download(name: string, type: string, stream: Readable): Response {
    return new Response(Readable.toWeb(stream) as ReadableStream, {
        headers: {
            'content-type': type,
            'content-disposition': `attachment; filename="${name.replace(/[^a-z0-9.-]+/gi, '-')}"`,
        },
    });
}

/** A CSV file that is written while it is sent. */
export function csvAnswer(name: string, columns: readonly string[], groups: RecordGroups): Response {
    return download(name, 'text/csv; charset=utf-8', Readable.from(csvPieces(columns, groups)));
}

/** One JSON object to a line. */
export function ndjsonAnswer(name: string, groups: RecordGroups): Response {
    async function* lines() {
        for await (const records of groups) for (const record of records) yield `${JSON.stringify(record)}\n`;
    }
    return download(name, 'application/x-ndjson', Readable.from(gathered(lines())));
}

/** A text written piece by piece. */
export function textAnswer(name: string, type: string, pieces: Iterable<string>): Response {
    return download(name, `${type}; charset=utf-8`, Readable.from(gathered(pieces)));
}

const CHARACTERS_AT_ONCE = 32_768;

/** Small pieces as larger ones; others have their turn in between. */
async function* gathered(pieces: Iterable<string> | AsyncIterable<string>): AsyncGenerator<string> {
    const breathe = breather();
    let waiting = '';
    for await (const piece of pieces) {
        waiting += piece;
        if (waiting.length >= CHARACTERS_AT_ONCE) {
            yield waiting;
            waiting = '';
        }
        await breathe();
    }
    if (waiting !== '') yield waiting;
}
