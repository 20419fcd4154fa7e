/**
 * A sketch of the words of a page that are its own to say: the smallest hashes of its distinct words (bottom-k sketch,
 * Cohen and Kaplan 2007), without numbers and without what its address says already. A calendar's pages, or those of a
 * path that goes round, have nothing left that the pages before had not; chapters and products have.
 */

/** Hashes in ascending order, at most `SKETCH_SIZE`; a smaller sketch holds every word there is. */
export type Sketch = Uint32Array;

export const SKETCH_SIZE = 32;
/** Bounds for very long pages. */
const MOST_WORDS = 20_000;
const MOST_TEXT = 400_000;
const WORDS = /[\p{L}\p{N}]+/gu;
const NUMBER = /^\p{N}+$/u;

/** FNV-1a (Fowler, Noll and Vo), with its bits spread once more (finaliser of MurmurHash3, Appleby). */
function hashOf(word: string): number {
    let hash = 0x811c9dc5;
    for (let index = 0; index < word.length; index++) hash = Math.imul(hash ^ word.charCodeAt(index), 0x01000193);
    hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
    return (hash ^ (hash >>> 16)) >>> 0;
}

/** @param url of the page: what it says is no news on the page. O(words) */
export function sketchOf(text: string, url: string): Sketch {
    const said = new Set(decoded(url).toLowerCase().match(WORDS));
    const hashes = new Set<number>();
    let words = 0;
    for (const [word] of text.slice(0, MOST_TEXT).toLowerCase().matchAll(WORDS)) {
        if (++words > MOST_WORDS) break;
        if (!said.has(word) && !NUMBER.test(word)) hashes.add(hashOf(word));
    }
    return Uint32Array.from(hashes).sort().slice(0, SKETCH_SIZE);
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
