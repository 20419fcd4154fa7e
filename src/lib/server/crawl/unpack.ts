/** Content codings (RFC 9110 8.4.1): gzip, deflate, br, also one upon another. Unpacks as a stream, so that it can be bounded. */
import { Readable, type Transform } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate, createInflateRaw } from 'node:zlib';

/** A body in a coding that was not asked for and is not known. */
export class UnknownCoding extends Error {
    readonly code = 'ERR_BROTLI_UNKNOWN_CODING';
}

/** More codings one upon another than anybody means: each would cost memory and time of ours. */
export const MOST_CODINGS = 5;

export class TooManyCodings extends Error {
    readonly count: number;

    constructor(count: number) {
        super(`${count} codings`);
        this.count = count;
    }
}

/**
 * @param encodings the Content-Encoding field, its lines joined by commas; the last was applied last
 * @throws when the body cannot be unpacked further; what came before was given
 */
export async function* unpack(body: Readable, encodings: string): AsyncGenerator<Uint8Array> {
    const names = encodings
        .toLowerCase()
        .split(',')
        .map((item) => item.trim())
        .filter((item) => item !== '' && item !== 'identity');
    if (names.length === 0) {
        yield* body as AsyncIterable<Uint8Array>;
        return;
    }
    if (names.length > MOST_CODINGS) throw new TooManyCodings(names.length);
    let stream: Readable = body;
    for (const name of names.reverse()) {
        const first: Uint8Array | null = name === 'deflate' ? await peek(stream) : null;
        stream = through(stream, unpackerOf(name, first));
    }
    try {
        yield* stream as AsyncIterable<Uint8Array>;
    } finally {
        stream.destroy();
    }
}

function unpackerOf(name: string, first: Uint8Array | null): Transform {
    if (name === 'gzip' || name === 'x-gzip') return createGunzip();
    if (name === 'br') return createBrotliDecompress();
    // "deflate" means the zlib format, but servers send the bare stream under that name too (RFC 9110 8.4.1.2).
    if (name === 'deflate') return first && (first[0]! & 0x0f) !== 8 ? createInflateRaw() : createInflate();
    throw new UnknownCoding(`unknown coding ${name}`);
}

/** The first bytes of a stream, put back at its front. */
async function peek(stream: Readable): Promise<Uint8Array | null> {
    if (stream.readableEnded) return null;
    await new Promise<void>((resolve) => {
        const done = (): void => {
            for (const name of ['readable', 'end', 'error', 'close']) stream.off(name, done);
            resolve();
        };
        for (const name of ['readable', 'end', 'error', 'close']) stream.on(name, done);
    });
    const first: unknown = stream.read();
    if (!(first instanceof Uint8Array) || first.length === 0) return null;
    stream.unshift(first);
    return first;
}

function through(from: Readable, to: Transform): Readable {
    from.on('error', (error) => to.destroy(error));
    // A connection that ends before its body does gives no "end": what waits for more must not wait for ever.
    from.on('close', () => {
        if (!from.readableEnded && !to.destroyed)
            to.destroy(Object.assign(new Error('broke off'), { code: 'ECONNRESET' }));
    });
    return from.pipe(to);
}
