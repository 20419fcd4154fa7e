/**
 * The binary form of one part of a packed survey: named columns of numbers in one piece of bytes (`docs/formats.md`,
 * "Packed survey"). Read without copying: each column is a view of the bytes. Written and read the same on the server
 * and in a browser; all machines we run on are little-endian, and the form is.
 *
 *     0  "EDGEPACK"                      8 bytes
 *     8  version of the form             u32
 *    12  bytes of the directory          u32
 *    16  checksum of the directory       u32
 *    20  bytes of the whole part         u32
 *    24  directory: JSON, UTF-8, padded with spaces to a multiple of 8
 *        columns, each at a multiple of 8
 */

import type { NumberColumn } from '../number-column.ts';

/** Kinds of columns: width and sign of their numbers. */
const KINDS = {
    u8: Uint8Array,
    i8: Int8Array,
    u16: Uint16Array,
    i16: Int16Array,
    u32: Uint32Array,
    i32: Int32Array,
    f32: Float32Array,
    f64: Float64Array,
} as const;
type Kind = keyof typeof KINDS;

/** Version of the form itself; what its columns mean has versions of its own (`packed-survey.ts`). */
export const PACKED_VERSION = 2;
const MAGIC = 'EDGEPACK';
const HEAD_BYTES = 24;

interface Entry {
    name: string;
    kind: Kind;
    length: number;
    at: number;
    sum: number;
}

export interface Sections {
    /** What is said of the part beside its columns, as JSON. */
    head: unknown;
    columns: Map<string, NumberColumn>;
}

/** Why bytes are no packed part: damaged, or of another version. */
export class NotPacked extends Error {}

function kindOf(column: NumberColumn): Kind {
    for (const kind of Object.keys(KINDS) as Kind[]) if (column instanceof KINDS[kind]) return kind;
    throw new Error('no kind of column');
}

/**
 * What tells the content of a part: the version of its form, its size, and the checksum of its directory, which holds
 * those of all columns. @param bytes of a whole part
 */
export function contentTag(bytes: Uint8Array): string {
    const head = new DataView(bytes.buffer, bytes.byteOffset, HEAD_BYTES);
    return [8, 16, 20].map((at) => head.getUint32(at, true).toString(36)).join('-');
}

/** A checksum that tells damage, not malice: four lanes of multiply and rotate over 32-bit words. O(bytes). */
export function checksum(bytes: Uint8Array): number {
    const words = new Uint32Array(bytes.buffer, bytes.byteOffset, bytes.length >>> 2);
    let a = 0x9e3779b1;
    let b = 0x85ebca77;
    let c = 0xc2b2ae3d;
    let d = 0x27d4eb2f;
    let at = 0;
    for (; at + 3 < words.length; at += 4) {
        a = Math.imul(a ^ words[at]!, 0x9e3779b1);
        a ^= a >>> 15;
        b = Math.imul(b ^ words[at + 1]!, 0x85ebca77);
        b ^= b >>> 15;
        c = Math.imul(c ^ words[at + 2]!, 0xc2b2ae3d);
        c ^= c >>> 15;
        d = Math.imul(d ^ words[at + 3]!, 0x27d4eb2f);
        d ^= d >>> 15;
    }
    for (; at < words.length; at++) a = Math.imul(a ^ words[at]!, 0x9e3779b1) ^ (a >>> 13);
    for (at = words.length * 4; at < bytes.length; at++) b = Math.imul(b ^ bytes[at]!, 0x85ebca77) ^ (b >>> 13);
    let sum = Math.imul(a ^ (b << 7) ^ (b >>> 25), 0xc2b2ae3d) ^ Math.imul(c ^ (d << 11) ^ (d >>> 21), 0x165667b1);
    sum ^= bytes.length;
    return (sum ^ (sum >>> 16)) >>> 0;
}

const padded = (length: number): number => (length + 7) & ~7;

/** Writes a part. O(bytes). */
export function encodeSections({ head, columns }: Sections): Uint8Array<ArrayBuffer> {
    const entries: Entry[] = [];
    let size = 0;
    for (const [name, column] of columns) {
        const bytes = new Uint8Array(column.buffer, column.byteOffset, column.byteLength);
        // The checksum reads words: a view that does not begin at one is copied first.
        const aligned = bytes.byteOffset % 4 === 0 ? bytes : bytes.slice();
        entries.push({ name, kind: kindOf(column), length: column.length, at: size, sum: checksum(aligned) });
        size += padded(column.byteLength);
    }
    const directory = new TextEncoder().encode(JSON.stringify({ head, columns: entries }));
    const directoryBytes = padded(directory.length);
    const whole = new Uint8Array(HEAD_BYTES + directoryBytes + size);
    whole.set(new TextEncoder().encode(MAGIC));
    whole.fill(0x20, HEAD_BYTES, HEAD_BYTES + directoryBytes);
    whole.set(directory, HEAD_BYTES);
    const view = new DataView(whole.buffer);
    view.setUint32(8, PACKED_VERSION, true);
    view.setUint32(12, directoryBytes, true);
    view.setUint32(16, checksum(whole.subarray(HEAD_BYTES, HEAD_BYTES + directoryBytes)), true);
    view.setUint32(20, whole.length, true);
    let index = 0;
    for (const column of columns.values()) {
        const from = HEAD_BYTES + directoryBytes + entries[index++]!.at;
        whole.set(new Uint8Array(column.buffer, column.byteOffset, column.byteLength), from);
    }
    return whole;
}

function isEntry(value: unknown): value is Entry {
    if (typeof value !== 'object' || value === null) return false;
    const { name, kind, length, at, sum } = value as Partial<Record<keyof Entry, unknown>>;
    const isCount = (number: unknown): boolean => Number.isSafeInteger(number) && Number(number) >= 0;
    return (
        typeof name === 'string' &&
        typeof kind === 'string' &&
        Object.hasOwn(KINDS, kind) &&
        isCount(length) &&
        isCount(at) &&
        Number(at) % 8 === 0 &&
        isCount(sum)
    );
}

/**
 * Reads a part; columns are views of `bytes`, which must begin at a multiple of 8 of their buffer.
 * @throws NotPacked when the bytes are damaged, cut or of another version
 */
export function decodeSections(bytes: Uint8Array<ArrayBuffer>): Sections {
    const fail = (what: string): never => {
        throw new NotPacked(`The packed survey ${what}.`);
    };
    if (bytes.length < HEAD_BYTES || new TextDecoder().decode(bytes.subarray(0, 8)) !== MAGIC) fail('is no such file');
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
    const version = view.getUint32(8, true);
    if (version !== PACKED_VERSION) fail(`has version ${version}, this program reads ${PACKED_VERSION}`);
    if (view.getUint32(20, true) !== bytes.length) fail('is cut or has grown');
    const from = HEAD_BYTES + view.getUint32(12, true);
    if (from > bytes.length || from % 8 !== 0) fail('has a damaged head');
    const directory = bytes.subarray(HEAD_BYTES, from);
    if (checksum(directory) !== view.getUint32(16, true)) fail('has a damaged directory');
    const told = JSON.parse(new TextDecoder().decode(directory)) as { head?: unknown; columns?: unknown };
    const columns = new Map<string, NumberColumn>();
    for (const entry of Array.isArray(told.columns) ? told.columns : []) {
        if (!isEntry(entry)) return fail('has a damaged directory');
        const Kind = KINDS[entry.kind];
        const at = from + entry.at;
        const size = entry.length * Kind.BYTES_PER_ELEMENT;
        if (at + size > bytes.length) fail(`is cut in column ${entry.name}`);
        if (checksum(bytes.subarray(at, at + size)) !== entry.sum) fail(`is damaged in column ${entry.name}`);
        columns.set(entry.name, new Kind(bytes.buffer, bytes.byteOffset + at, entry.length));
    }
    return { head: told.head, columns };
}
