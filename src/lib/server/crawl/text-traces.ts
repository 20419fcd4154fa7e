/** What is told of a page's text for telling traps, from the bytes in which it is kept. */
import type { TextTraces } from '../../core/traps/families.ts';

/** @param of its sketch is null in rows of a version that made none */
export function tracesOf(of: { signature: Uint8Array; sketch: Uint8Array | null }): TextTraces {
    return {
        signature: of.signature.length === 0 ? null : wordsOf(of.signature),
        sketch: of.sketch && wordsOf(of.sketch),
    };
}

/** Copied first: bytes from a socket or a pool begin anywhere. */
function wordsOf(bytes: Uint8Array): Uint32Array {
    return new Uint32Array(new Uint8Array(bytes).buffer);
}
