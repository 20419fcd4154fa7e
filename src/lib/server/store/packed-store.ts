/** Packed surveys in the database: parts in deflated chunks. Made from the rows, so whatever is wrong with one, it is made again. */
import { deflateRaw, inflateRaw } from 'node:zlib';
import { promisify } from 'node:util';
import { and, asc, eq, notInArray } from 'drizzle-orm';
import type { Pool } from 'mysql2/promise';
import {
    decodeSections,
    encodeSections,
    NotPacked,
    PACKED_VERSION,
    type Sections,
} from '../../core/packed/sections.ts';
import { PARTS } from '../../core/packed/packed-survey.ts';
import type { Part } from '../../core/columns/column.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

/** Parts of a packed survey, and the word index beside them (`core/text/word-index.ts`), which is made behind. */
export type StoredPart = Part | 'words';
export const STORED_PARTS: readonly StoredPart[] = [...PARTS, 'words'];

/** Bytes of a part in one chunk before deflating: a row stays far below the largest packet. */
const CHUNK = 4 * 1024 * 1024;
/** A part beyond this is nothing we made. */
const MOST_BYTES = 4 * 1024 * 1024 * 1024;

const deflate = promisify(deflateRaw);
const inflate = promisify(inflateRaw);

/** Stores the parts of a survey at a revision. Those of other revisions go, but for the ones that were to be kept. */
export async function savePacked(
    db: Database,
    surveyId: number,
    revision: number,
    parts: ReadonlyMap<Part, Sections>,
): Promise<void> {
    const made: MadePart[] = [];
    for (const [part, sections] of parts) made.push(await deflated(part, sections));
    const { packedParts, packedChunks } = schema;
    await db.transaction(async (tx) => {
        if (!(await holdSurvey(tx, surveyId))) return;
        const kept = await tx
            .select({ number: schema.revisions.number })
            .from(schema.revisions)
            .where(eq(schema.revisions.surveyId, surveyId));
        const stay = kept.map(({ number }) => number).filter((number) => number !== revision);
        for (const table of [packedParts, packedChunks]) {
            await tx
                .delete(table)
                .where(
                    and(eq(table.surveyId, surveyId), stay.length > 0 ? notInArray(table.revision, stay) : undefined),
                );
        }
        for (const part of made) await insertPart(tx, surveyId, revision, part);
    });
}

/** Stores one part of a survey at a revision in place of the one that was there; the others stay. */
export async function savePart(
    db: Database,
    surveyId: number,
    revision: number,
    part: StoredPart,
    sections: Sections,
): Promise<void> {
    const made = await deflated(part, sections);
    await db.transaction(async (tx) => {
        if (!(await holdSurvey(tx, surveyId))) return;
        for (const table of [schema.packedParts, schema.packedChunks]) {
            await tx
                .delete(table)
                .where(and(eq(table.surveyId, surveyId), eq(table.revision, revision), eq(table.part, part)));
        }
        await insertPart(tx, surveyId, revision, made);
    });
}

interface MadePart {
    part: StoredPart;
    size: number;
    chunks: Buffer[];
}

async function deflated(part: StoredPart, sections: Sections): Promise<MadePart> {
    const bytes = encodeSections(sections);
    const chunks: Promise<Buffer>[] = [];
    for (let at = 0; at < bytes.length; at += CHUNK) {
        chunks.push(deflate(bytes.subarray(at, at + CHUNK), { level: 4 }));
    }
    return { part, size: bytes.length, chunks: await Promise.all(chunks) };
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * Two that store at the same time would both lock the gap in which the other inserts: one after the other, then.
 * @returns false for a survey that was deleted meanwhile, and is being swept: nothing of it may come back
 */
async function holdSurvey(tx: Transaction, surveyId: number): Promise<boolean> {
    const [survey] = await tx
        .select({ isDeleted: schema.surveys.isDeleted })
        .from(schema.surveys)
        .where(eq(schema.surveys.id, surveyId))
        .for('update');
    return survey !== undefined && !survey.isDeleted;
}

async function insertPart(tx: Transaction, surveyId: number, revision: number, made: MadePart): Promise<void> {
    const { part, size, chunks } = made;
    for (const [n, bytes] of chunks.entries()) {
        await tx.insert(schema.packedChunks).values({ surveyId, revision, part, n, bytes });
    }
    await tx.insert(schema.packedParts).values({
        surveyId,
        part,
        revision,
        format: PACKED_VERSION,
        size,
        chunks: chunks.length,
        madeAt: Date.now(),
    });
}

export type LoadedPart =
    | { ok: true; sections: Sections; bytes: number }
    /** Not there, of an older revision or version, or damaged: to be made again. */
    | { ok: false; why: string };

export type LoadedBytes = { ok: true; bytes: Uint8Array<ArrayBuffer> } | { ok: false; why: string };

/** Reads one part of a survey back, at that revision only. */
export async function loadPacked(
    db: Database,
    surveyId: number,
    revision: number,
    part: StoredPart,
): Promise<LoadedPart> {
    const loaded = await loadPackedBytes(db, surveyId, revision, part);
    if (!loaded.ok) return loaded;
    try {
        return { ok: true, sections: decodeSections(loaded.bytes), bytes: loaded.bytes.length };
    } catch (error) {
        if (!(error instanceof NotPacked)) throw error;
        return { ok: false, why: error.message };
    }
}

/** The same as the bytes they are: what a browser is given. */
export async function loadPackedBytes(
    db: Database,
    surveyId: number,
    revision: number,
    part: StoredPart,
): Promise<LoadedBytes> {
    const { packedParts, packedChunks } = schema;
    const [head] = await db
        .select()
        .from(packedParts)
        .where(and(eq(packedParts.surveyId, surveyId), eq(packedParts.revision, revision), eq(packedParts.part, part)));
    if (!head) return { ok: false, why: 'it was never packed' };
    if (head.format !== PACKED_VERSION) return { ok: false, why: 'it is an older one' };
    if (head.size > MOST_BYTES) return { ok: false, why: 'its size is none of ours' };
    const chunks = await db
        .select({ bytes: packedChunks.bytes })
        .from(packedChunks)
        .where(
            and(eq(packedChunks.surveyId, surveyId), eq(packedChunks.revision, revision), eq(packedChunks.part, part)),
        )
        .orderBy(asc(packedChunks.n));
    if (chunks.length !== head.chunks) return { ok: false, why: 'chunks are missing' };
    try {
        const whole = new Uint8Array(head.size);
        let at = 0;
        for (const piece of await Promise.all(chunks.map(({ bytes }) => inflate(bytes, { maxOutputLength: CHUNK })))) {
            if (at + piece.length > whole.length) return { ok: false, why: 'it is longer than it says' };
            whole.set(piece, at);
            at += piece.length;
        }
        if (at !== whole.length) return { ok: false, why: 'it is shorter than it says' };
        return { ok: true, bytes: whole };
    } catch (error) {
        // Anything else would be a fault of ours.
        const { code } = error as NodeJS.ErrnoException;
        if (!code?.startsWith('Z_') && code !== 'ERR_BUFFER_TOO_LARGE') throw error;
        return { ok: false, why: (error as Error).message };
    }
}

/** Tells one making of a part from another; null where there is none of our form. */
export async function packedKey(
    db: Database,
    surveyId: number,
    revision: number,
    part: StoredPart,
): Promise<string | null> {
    const { packedParts } = schema;
    const [head] = await db
        .select({ madeAt: packedParts.madeAt, format: packedParts.format, size: packedParts.size })
        .from(packedParts)
        .where(and(eq(packedParts.surveyId, surveyId), eq(packedParts.revision, revision), eq(packedParts.part, part)));
    if (head?.format !== PACKED_VERSION) return null;
    return `${surveyId}.${revision}.${part}.${head.madeAt}.${head.size}`;
}

/** How long one that packs waits for another that packs the same survey, seconds. */
const PACK_PATIENCE = 900;

/**
 * Does something while no other process does the same for a survey: packing it twice at once would be twice the work, and
 * the two would stand in each other's way when they store it.
 */
export async function whilePacking<T>(pool: Pool, surveyId: number, work: () => Promise<T>): Promise<T> {
    const connection = await pool.getConnection();
    const name = `edgemap-pack-${surveyId}`;
    try {
        await connection.query('SELECT GET_LOCK(?, ?)', [name, PACK_PATIENCE]);
        return await work();
    } finally {
        await connection.query('SELECT RELEASE_LOCK(?)', [name]).catch(() => connection.destroy());
        connection.release();
    }
}
