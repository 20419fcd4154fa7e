/** The main text of a page: its pieces outside header, nav, footer and the blocks it shares with other pages. */
import type { PageText } from './read-page.ts';

/**
 * @param pieces in document order
 * @param isShared tells for the order of a block on the page whether it stands on other pages too
 * @returns the pieces that are left, one to a line
 */
export function mainTextOf(pieces: readonly PageText[], isShared: (block: number) => boolean): string {
    return pieces
        .filter((piece) => piece.text !== '' && (piece.block < 0 || !isShared(piece.block)))
        .map((piece) => piece.text)
        .join('\n');
}

/** The main text as it is where none of the page's blocks turns out to be shared, which is so for most pages. */
export interface TextOutline {
    hash: Uint8Array;
    words: number;
    /** Order numbers of the blocks that hold text, ascending: if one is shared, the text must be looked at again. */
    blocks: number[];
}

const HASH_BYTES = 8;

/**
 * Packs the outline of a page's text: hash, words and blocks as 32-bit numbers, little-endian.
 * @param words in all of it
 * @param hash 8 bytes of a text, none for an empty one
 * @returns empty where there is no text
 */
export function packOutline(
    pieces: readonly PageText[],
    words: number,
    hash: (text: string) => Uint8Array,
): Uint8Array {
    const whole = mainTextOf(pieces, () => false);
    if (whole === '') return new Uint8Array(0);
    const blocks = [
        ...new Set(pieces.filter((piece) => piece.block >= 0 && piece.text !== '').map((piece) => piece.block)),
    ];
    blocks.sort((a, b) => a - b);
    const bytes = new Uint8Array(HASH_BYTES + 4 * (blocks.length + 1));
    bytes.set(hash(whole).subarray(0, HASH_BYTES));
    const view = new DataView(bytes.buffer);
    [words, ...blocks].forEach((value, index) => view.setUint32(HASH_BYTES + 4 * index, value, true));
    return bytes;
}

/** @returns null where nothing was packed */
export function unpackOutline(bytes: Uint8Array): TextOutline | null {
    if (bytes.length < HASH_BYTES + 4) return null;
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
    const blocks: number[] = [];
    for (let at = HASH_BYTES + 4; at + 4 <= bytes.length; at += 4) blocks.push(view.getUint32(at, true));
    return { hash: bytes.slice(0, HASH_BYTES), words: view.getUint32(HASH_BYTES, true), blocks };
}
