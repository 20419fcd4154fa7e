/**
 * The signature of a text: small, and nearly alike for texts that are nearly alike. Min-wise hashing over shingles
 * (Broder 1997, "On the resemblance and containment of documents") with one permutation parted into bins (Li, Owen and
 * Zhang 2012, "One permutation hashing"): one hash for each shingle instead of one for each place of the signature.
 */

import { hashWords, type WordHashes } from './word-hashes.ts';

/** Smallest hash of the shingles that fall into each of `SIGNATURE_SIZE` bins; an empty bin has that of the next full one. */
export type Signature = Uint32Array;

export const SIGNATURE_SIZE = 32;
const EMPTY = 0xffffffff;
/** Words in one shingle. */
const SHINGLE = 4;
/** A text of fewer words says too little to be like another. */
const LEAST_WORDS = 8;

/** A bijection of 32-bit numbers that spreads every bit (the finaliser of MurmurHash3, Appleby). */
function mix(value: number): number {
    let hash = value | 0;
    hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
    return (hash ^ (hash >>> 16)) >>> 0;
}

/**
 * @param text any text; case and white space make no difference
 * @returns null for a text of fewer than 8 words. O(words)
 */
export const signatureOf = (text: string): Signature | null => signatureOfWords(hashWords(text));

/** The same of words that have been found already. */
export function signatureOfWords({ count, hashes }: Pick<WordHashes, 'count' | 'hashes'>): Signature | null {
    if (count < LEAST_WORDS) return null;
    const signature = new Uint32Array(SIGNATURE_SIZE).fill(EMPTY);
    const last = Math.max(1, count - SHINGLE + 1);
    for (let from = 0; from < last; from++) {
        let shingle = 0;
        for (let at = from; at < Math.min(count, from + SHINGLE); at++) shingle = mix(shingle + hashes[at]! + 1);
        const bin = shingle % SIGNATURE_SIZE;
        const value = shingle >>> 5;
        if (value < signature[bin]!) signature[bin] = value;
    }
    // Texts of few shingles leave bins empty: filled by rotation (Shrivastava and Li 2014), told apart by distance.
    const full = signature.slice();
    for (let bin = 0; bin < SIGNATURE_SIZE; bin++) {
        let step = 0;
        while (full[(bin + step) % SIGNATURE_SIZE] === EMPTY) step++;
        if (step > 0) signature[bin] = mix(full[(bin + step) % SIGNATURE_SIZE]! + step);
    }
    return signature;
}

/** Estimated share of shingles two texts have in common (Jaccard), 0 to 1. */
export function likeness(a: Signature, b: Signature): number {
    let same = 0;
    for (let index = 0; index < SIGNATURE_SIZE; index++) if (a[index] === b[index]) same++;
    return same / SIGNATURE_SIZE;
}

/** A signature as a text of hex digits, eight a place. */
export const signatureText = (signature: Signature): string =>
    Array.from(signature, (value) => value.toString(16).padStart(8, '0')).join('');

/** Reads what `signatureText` wrote; null for anything else. */
export function readSignature(text: string): Signature | null {
    if (text.length !== SIGNATURE_SIZE * 8 || !/^[0-9a-f]+$/.test(text)) return null;
    return Uint32Array.from({ length: SIGNATURE_SIZE }, (_, place) =>
        parseInt(text.slice(place * 8, place * 8 + 8), 16),
    );
}
