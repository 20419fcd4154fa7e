/**
 * The signature of a text: small, and nearly alike for texts that are nearly alike (Broder 1997, "On the resemblance
 * and containment of documents": min-wise hashing over shingles).
 */

/** Smallest hash of the shingles under each of `SIGNATURE_SIZE` hash functions. */
export type Signature = Uint32Array;

export const SIGNATURE_SIZE = 32;
/** Words in one shingle. */
const SHINGLE = 4;
/** Words looked at: a bound for very long pages. */
const MOST_WORDS = 20_000;
const MOST_TEXT = 400_000;
/** A text of fewer words says too little to be like another. */
const LEAST_WORDS = 8;

/** Odd multipliers and additions, fixed: signatures of two surveys can be compared. */
const MULTIPLY = new Uint32Array(SIGNATURE_SIZE);
const ADD = new Uint32Array(SIGNATURE_SIZE);
for (let index = 0, state = 0x9e3779b9; index < SIGNATURE_SIZE; index++) {
    state = mix(state + 0x6d2b79f5);
    MULTIPLY[index] = state | 1;
    state = mix(state + 0x6d2b79f5);
    ADD[index] = state;
}

/** A bijection of 32-bit numbers that spreads every bit (the finaliser of MurmurHash3, Appleby). */
function mix(value: number): number {
    let hash = value | 0;
    hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
    return (hash ^ (hash >>> 16)) >>> 0;
}

function hashWord(word: string): number {
    let hash = 0x811c9dc5;
    for (let index = 0; index < word.length; index++) hash = Math.imul(hash ^ word.charCodeAt(index), 0x01000193);
    return hash >>> 0;
}

/**
 * @param text any text; case and white space make no difference
 * @returns null for a text of fewer than 8 words. O(words x SIGNATURE_SIZE)
 */
export function signatureOf(text: string): Signature | null {
    const words = text
        .slice(0, MOST_TEXT)
        .toLowerCase()
        .match(/[\p{L}\p{N}]+/gu);
    if (!words || words.length < LEAST_WORDS) return null;
    const count = Math.min(words.length, MOST_WORDS);
    const hashes = new Uint32Array(count);
    for (let index = 0; index < count; index++) hashes[index] = hashWord(words[index]!);
    const signature = new Uint32Array(SIGNATURE_SIZE).fill(0xffffffff);
    const last = Math.max(1, count - SHINGLE + 1);
    for (let from = 0; from < last; from++) {
        let shingle = 0;
        for (let at = from; at < Math.min(count, from + SHINGLE); at++) shingle = mix(shingle + hashes[at]! + 1);
        for (let index = 0; index < SIGNATURE_SIZE; index++) {
            const value = mix((Math.imul(shingle, MULTIPLY[index]!) + ADD[index]!) | 0);
            if (value < signature[index]!) signature[index] = value;
        }
    }
    return signature;
}

/** Estimated share of shingles two texts have in common (Jaccard), 0 to 1. */
export function likeness(a: Signature, b: Signature): number {
    let same = 0;
    for (let index = 0; index < SIGNATURE_SIZE; index++) if (a[index] === b[index]) same++;
    return same / SIGNATURE_SIZE;
}
