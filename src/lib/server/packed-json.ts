/** JSON as packed bytes: plain where it is short, deflated where that pays. The first byte tells which. */
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { PageFactsRecord } from '../core/survey/page-details.ts';
import { FACTS_DICTIONARY } from './facts-dictionary.ts';

const PLAIN = 0;
const DEFLATED = 1;
/** Deflated with `FACTS_DICTIONARY` before it. */
const FACTS = 2;
/** Below this, deflating costs more than it saves. */
const WORTH_DEFLATING = 160;
/** zlib spends four times as long on clearing its tables as on a short input: these get small ones. */
const SHORT = 2_048;
const FOR_SHORT = { level: 1, windowBits: 11, memLevel: 3, chunkSize: 2_048 };
const FOR_LONG = { level: 4 };
const FOR_FACTS = { level: 4, windowBits: 12, memLevel: 4, chunkSize: 2_048, dictionary: FACTS_DICTIONARY };
/** Sources are as many bytes as all else together, and read one at a time: a tenth more of them is stored in half the time. */
const FOR_SOURCES = { level: 1 };
/** Nothing we pack unpacks to more: a damaged row must not fill the memory. */
const MAX_UNPACKED = 512 * 1024 * 1024;

const packed = (kind: number, bytes: Uint8Array): Buffer => Buffer.concat([Buffer.of(kind), bytes]);

export function packBytes(plain: Uint8Array): Buffer {
    if (plain.length < WORTH_DEFLATING) return packed(PLAIN, plain);
    return packed(DEFLATED, deflateRawSync(plain, plain.length < SHORT ? FOR_SHORT : FOR_LONG));
}

/** A received document; unpacked like all else. */
export const packSource = (bytes: Uint8Array): Buffer => packed(DEFLATED, deflateRawSync(bytes, FOR_SOURCES));

/** @throws when the bytes are damaged */
export function unpackBytes(bytes: Uint8Array): Buffer {
    const content = bytes.subarray(1);
    switch (bytes[0]) {
        case DEFLATED:
            return inflateRawSync(content, { maxOutputLength: MAX_UNPACKED });
        case FACTS:
            return inflateRawSync(content, { maxOutputLength: MAX_UNPACKED, dictionary: FACTS_DICTIONARY });
        default:
            return Buffer.from(content.buffer, content.byteOffset, content.length);
    }
}

/** The facts of a page: much of them is alike on every page, and is not stored again. */
export const packFacts = (record: PageFactsRecord): Buffer =>
    packed(FACTS, deflateRawSync(Buffer.from(JSON.stringify(record), 'utf8'), FOR_FACTS));

/** JSON that is a text already. */
export const packText = (json: string): Buffer => packBytes(Buffer.from(json, 'utf8'));

export const packJson = (value: unknown): Buffer => packText(JSON.stringify(value));

/** @returns what stood there; check it before use */
export function unpackJson(bytes: Uint8Array): unknown {
    return JSON.parse(unpackBytes(bytes).toString('utf8'));
}
