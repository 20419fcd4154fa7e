/** Two surveys of one site, matched page by page: whatever looks at both goes through here. */
import { countKept } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const matched = new WeakMap<PackedSurvey, WeakMap<PackedSurvey, Int32Array>>();

/**
 * The same pages in another survey.
 *
 * @returns for each node of `from` the node of `to` with the same URL; -1 where `to` does not know it. Kept for as long
 * as both surveys are. Both keep their URLs in the order of code units, so that one way through each does: O(nodes of
 * both).
 */
export function align(from: PackedSurvey, to: PackedSurvey): Int32Array {
    let own = matched.get(from);
    if (!own) matched.set(from, (own = new WeakMap()));
    let same = own.get(to);
    if (!same) {
        own.set(to, (same = merge(from.texts('url').all(), to.texts('url').all())));
        countKept(from, same.byteLength);
    }
    return same;
}

function merge(theirs: readonly string[], ours: readonly string[]): Int32Array {
    const same = new Int32Array(theirs.length).fill(-1);
    let node = 0;
    for (let other = 0; other < theirs.length; other++) {
        const url = theirs[other]!;
        while (node < ours.length && ours[node]! < url) node++;
        if (node === ours.length) break;
        if (ours[node] === url) same[other] = node;
    }
    return same;
}
