/**
 * What a fragment points at: an id of the document, or the name of an `a` element (HTML 7.4.6.3). Of a page all of them
 * are kept as hashes, so that a link from anywhere can be held against them once everything has been read.
 */

/** Ids kept of a document (`document-facts.ts`): of one that has as many, nobody knows whether there are more. */
const MOST_IDS = 20_000;

/** FNV-1a over UTF-16 code units, mixed: two of 100 ids are taken for each other once in a million pages. */
function hashOf(id: string): number {
    let hash = 0x811c9dc5;
    for (let index = 0; index < id.length; index++) hash = Math.imul(hash ^ id.charCodeAt(index), 0x01000193);
    hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
    return (hash ^ (hash >>> 13)) >>> 0;
}

/** Hashes of the ids of a document, in order; null where they are too many to know them all. */
export function idHashes(ids: readonly string[]): Uint32Array | null {
    return ids.length >= MOST_IDS ? null : Uint32Array.from(ids, hashOf).sort();
}

/** True where a document with these ids has nothing a fragment points at: as written, or with its escapes undone. */
export function isLost(fragment: string, ids: Uint32Array): boolean {
    // An empty one and `top` lead to the top; what stands behind `:~:` is no part of it (URL fragment text directives).
    const own = fragment.split(':~:', 1)[0]!;
    if (own === '' || own.toLowerCase() === 'top') return false;
    return !has(ids, hashOf(own)) && !has(ids, hashOf(unescaped(own)));
}

function unescaped(fragment: string): string {
    try {
        return decodeURIComponent(fragment);
    } catch {
        return fragment;
    }
}

function has(sorted: Uint32Array, value: number): boolean {
    let low = 0;
    let high = sorted.length - 1;
    while (low <= high) {
        const middle = (low + high) >> 1;
        if (sorted[middle] === value) return true;
        if (sorted[middle]! < value) low = middle + 1;
        else high = middle - 1;
    }
    return false;
}
