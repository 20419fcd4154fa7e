import { Readable } from 'node:stream';
import { brotliCompressSync, constants, deflateRawSync, deflateSync, gunzipSync, gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { unpack } from './unpack.ts';

const TEXT = Buffer.from('a text that repeats itself, '.repeat(400));

async function read(bytes: Buffer, encodings: string, piece = 7): Promise<Buffer> {
    const pieces: Uint8Array[] = [];
    const source = Readable.from(
        Array.from({ length: Math.ceil(bytes.length / piece) }, (_, index) =>
            bytes.subarray(index * piece, (index + 1) * piece),
        ),
        { objectMode: false },
    );
    for await (const part of unpack(source, encodings)) pieces.push(part);
    return Buffer.concat(pieces);
}

describe('unpack', () => {
    it.each([
        ['', TEXT],
        ['identity', TEXT],
        ['gzip', gzipSync(TEXT)],
        ['x-gzip', gzipSync(TEXT)],
        ['br', brotliCompressSync(TEXT)],
        ['deflate', deflateSync(TEXT)],
        ['DEFLATE', deflateRawSync(TEXT)],
        ['gzip, br', brotliCompressSync(gzipSync(TEXT))],
        ['deflate,gzip', gzipSync(deflateRawSync(TEXT))],
    ])('%s', async (encodings, bytes) => {
        expect((await read(bytes, encodings)).equals(TEXT)).toBe(true);
        expect((await read(bytes, encodings, 100_000)).equals(TEXT)).toBe(true);
    });

    it.each([
        ['gzip', gzipSync(TEXT).subarray(0, 60)],
        ['br', Buffer.from('no brotli at all')],
        ['zstd', TEXT],
    ])('fails on a body that is no %s', async (encodings, bytes) => {
        await expect(read(bytes, encodings)).rejects.toThrow();
    });

    it('gives what came before the trouble', async () => {
        const whole = gzipSync(Buffer.from(Array.from({ length: 50_000 }, (_, n) => n % 251)));
        const cut = whole.subarray(0, whole.length - 20);
        const readable = gunzipSync(cut, { finishFlush: constants.Z_SYNC_FLUSH });
        const came: Uint8Array[] = [];
        const source = Readable.from([cut], { objectMode: false });
        await expect(async () => {
            for await (const part of unpack(source, 'gzip')) came.push(part);
        }).rejects.toThrow();
        expect(readable.length).toBeGreaterThan(40_000);
        expect(Buffer.concat(came).equals(readable)).toBe(true);
    });
});
