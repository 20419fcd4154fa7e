/** Files given by a browser: kept in the data folder while their columns are looked at, and gone soon after. */
import { randomBytes } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { z } from 'zod';
import { freeBytes, isFull, LEAST_FREE, sayFull } from '../process/disk-space.ts';
import { LIST_KINDS, type ListKind } from '../../core/evidence/evidence-lists.ts';

export interface Upload {
    id: string;
    path: string;
    kind: ListKind;
    /** Name the file had. */
    name: string;
}

/** Larger than any log a person would give a browser; beyond, the command line takes it from the disk. */
export const MOST_UPLOAD_BYTES = 20_000_000_000;
const KEPT_MILLISECONDS = 24 * 3_600_000;
const ID = /^[0-9a-f]{24}$/;
const About = z.object({ kind: z.enum(LIST_KINDS), name: z.string() });

/** @param length bytes it says it has */
export async function keepUpload(
    folder: string,
    kind: ListKind,
    name: string,
    body: ReadableStream,
    length?: number,
): Promise<{ ok: true; upload: Upload } | { ok: false; say: string }> {
    if (freeBytes(folder) - (length ?? 0) < LEAST_FREE)
        return { ok: false, say: `${sayFull(folder)} ${name} was not taken.` };
    const into = join(folder, 'uploads');
    await mkdir(into, { recursive: true, mode: 0o700 });
    await sweep(into);
    const id = randomBytes(12).toString('hex');
    const path = join(into, id);
    let size = 0;
    const bounded = new Transform({
        transform(piece: Buffer, _encoding, done) {
            size += piece.length;
            if (size > MOST_UPLOAD_BYTES) done(new Error('it is larger than 20 GB'));
            else done(null, piece);
        },
    });
    try {
        await pipeline(Readable.fromWeb(body), bounded, createWriteStream(path, { mode: 0o600 }));
        // Written last: a file without it is half of one.
        await writeFile(`${path}.json`, JSON.stringify({ kind, name }), { mode: 0o600 });
    } catch (error) {
        await Promise.all([rm(path, { force: true }), rm(`${path}.json`, { force: true })]);
        if (isFull(error)) return { ok: false, say: `${sayFull(folder)} ${name} was not taken.` };
        return { ok: false, say: `${name} did not arrive whole: ${(error as Error).message}. Give it again.` };
    }
    return { ok: true, upload: { id, path, kind, name } };
}

export async function findUpload(folder: string, id: string): Promise<Upload | null> {
    if (!ID.test(id)) return null;
    const path = join(folder, 'uploads', id);
    try {
        const about = About.parse(JSON.parse(await readFile(`${path}.json`, 'utf8')));
        return { id, path, ...about };
    } catch {
        return null;
    }
}

export async function dropUpload(upload: Upload): Promise<void> {
    await Promise.all([rm(upload.path, { force: true }), rm(`${upload.path}.json`, { force: true })]);
}

/** Files nobody came back for go. */
async function sweep(folder: string): Promise<void> {
    for (const name of await readdir(folder)) {
        const path = join(folder, name);
        const { mtimeMs } = await stat(path).catch(() => ({ mtimeMs: Infinity }));
        if (Date.now() - mtimeMs > KEPT_MILLISECONDS) await rm(path, { force: true });
    }
}
