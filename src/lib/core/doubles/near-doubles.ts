/**
 * Texts that are nearly alike, by their signatures: candidates share a band of the signature (Indyk and Motwani 1998,
 * locality-sensitive hashing), and count as near-doubles when the signatures are alike enough.
 */
import { likeness, SIGNATURE_SIZE, type Signature } from './signature.ts';

/** Likeness from which two texts count as near-doubles; shown wherever they are. */
export const NEAR_TEXT = 0.85;
/** Places of the signature in one band: two texts of likeness 0.85 share one of 8 bands in 99.9 % of all cases. */
const BAND = 4;
/** Texts of one band compared with each other at most: a bound for sites that are one text over and over. */
const MOST_COMPARED = 64;

/**
 * Groups of near-doubles.
 * @param signatures of pages that have one
 * @returns for each page the number of its group, from 0 by first page; -1 for a page like no other. O(pages x bands)
 */
export function nearDoubles(signatures: readonly (Signature | null)[], threshold = NEAR_TEXT): Int32Array {
    const parent = Int32Array.from(signatures, (_, page) => page);
    const rootOf = (page: number): number => {
        let at = page;
        while (parent[at] !== at) {
            parent[at] = parent[parent[at]!]!;
            at = parent[at]!;
        }
        return at;
    };
    for (let band = 0; band < SIGNATURE_SIZE; band += BAND) {
        const sharing = new Map<string, number[]>();
        signatures.forEach((signature, page) => {
            if (signature === null) return;
            const key = signature.subarray(band, band + BAND).join(' ');
            const others = sharing.get(key);
            if (!others) {
                sharing.set(key, [page]);
                return;
            }
            for (const other of others) {
                const [a, b] = [rootOf(page), rootOf(other)];
                if (a !== b && likeness(signature, signatures[other]!) >= threshold) {
                    parent[Math.max(a, b)] = Math.min(a, b);
                }
            }
            if (others.length < MOST_COMPARED) others.push(page);
        });
    }
    return groupsOf(parent.map((_, page) => rootOf(page)));
}

/** Equal keys -> numbers of groups of two or more, by first page; -1 for what stands alone. */
export function groupsOf(keys: ArrayLike<number | string | null>): Int32Array {
    const first = new Map<number | string, number>();
    const groups = new Int32Array(keys.length).fill(-1);
    let count = 0;
    for (let page = 0; page < keys.length; page++) {
        const key = keys[page];
        if (key === null || key === undefined) continue;
        const other = first.get(key);
        if (other === undefined) first.set(key, page);
        else {
            if (groups[other] === -1) groups[other] = count++;
            groups[page] = groups[other]!;
        }
    }
    return renumbered(groups);
}

/** Numbers in the order of first pages, whatever the order in which groups were found. */
function renumbered(groups: Int32Array): Int32Array {
    const numbers = new Map<number, number>();
    return groups.map((group) => {
        if (group === -1) return -1;
        let number = numbers.get(group);
        if (number === undefined) numbers.set(group, (number = numbers.size));
        return number;
    });
}
