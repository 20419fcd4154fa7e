/**
 * A sketch of the words of a page that are its own to say: the smallest hashes of its distinct words (bottom-k sketch,
 * Cohen and Kaplan 2007), without numbers and without what its address says already. A calendar's pages, or those of a
 * path that goes round, have nothing left that the pages before had not; chapters and products have.
 */

import { hashWords, type WordHashes } from './word-hashes.ts';

/** Hashes in ascending order, at most `SKETCH_SIZE`; a smaller sketch holds every word there is. */
export type Sketch = Uint32Array;

export const SKETCH_SIZE = 32;
const WORDS = /[\p{L}\p{N}]+/gu;

/** Spreads the bits of a hash once more (finaliser of MurmurHash3, Appleby). */
function spread(hashed: number): number {
    let hash = Math.imul(hashed ^ (hashed >>> 16), 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
    return (hash ^ (hash >>> 16)) >>> 0;
}

/** @param url of the page: what it says is no news on the page. O(words) */
export const sketchOf = (text: string, url: string): Sketch => sketchOfWords(hashWords(text), url);

/** The same of words that have been found already. */
export function sketchOfWords({ text, count, hashes, isNumber, from, to }: WordHashes, url: string): Sketch {
    const said = new Set(decoded(url).toLowerCase().match(WORDS));
    /** The smallest hashes so far, ascending. */
    const least = new Uint32Array(SKETCH_SIZE);
    let size = 0;
    for (let word = 0; word < count; word++) {
        if (isNumber[word] === 1) continue;
        const hash = spread(hashes[word]!);
        if (size === SKETCH_SIZE && hash >= least[SKETCH_SIZE - 1]!) continue;
        let at = size;
        while (at > 0 && least[at - 1]! > hash) at--;
        // Few words come this far, so it is only now asked whether the address says them.
        if ((at > 0 && least[at - 1] === hash) || said.has(text.slice(from[word], to[word]))) continue;
        least.copyWithin(at + 1, at, Math.min(size, SKETCH_SIZE - 1));
        least[at] = hash;
        size = Math.min(size + 1, SKETCH_SIZE);
    }
    return least.slice(0, size);
}

function decoded(url: string): string {
    try {
        return decodeURIComponent(url);
    } catch {
        return url;
    }
}

/** The words of the last pages of a kind, to tell what a further one adds. */
export class RecentWords {
    readonly #most: number;
    readonly #sketches: Sketch[] = [];
    readonly #counts = new Map<number, number>();

    /** @param most pages that are remembered */
    constructor(most: number) {
        this.#most = most;
    }

    get pages(): number {
        return this.#sketches.length;
    }

    add(sketch: Sketch): void {
        this.#sketches.push(sketch);
        for (const hash of sketch) this.#counts.set(hash, (this.#counts.get(hash) ?? 0) + 1);
        if (this.#sketches.length <= this.#most) return;
        for (const hash of this.#sketches.shift()!) {
            const left = this.#counts.get(hash)! - 1;
            if (left === 0) this.#counts.delete(hash);
            else this.#counts.set(hash, left);
        }
    }

    /**
     * Words of a page that none of the last pages has, and words of which that can be told: a full sketch says nothing of
     * hashes above its last.
     */
    ownOf(sketch: Sketch): { own: number; known: number } {
        let reach = Infinity;
        for (const other of this.#sketches)
            if (other.length === SKETCH_SIZE) reach = Math.min(reach, other[SKETCH_SIZE - 1]!);
        let own = 0;
        let known = 0;
        for (const hash of sketch) {
            const isSaid = this.#counts.has(hash);
            if (!isSaid && hash > reach) continue;
            known++;
            if (!isSaid) own++;
        }
        return { own, known };
    }
}
