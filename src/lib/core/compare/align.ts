/** Two surveys of one site, matched page by page: whatever looks at both goes through here. */
import { countKept } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** The survey each was matched with last; the other is not kept for it. */
const matched = new WeakMap<PackedSurvey, { to: WeakRef<PackedSurvey>; same: Int32Array }>();

/**
 * The same pages in another survey.
 *
 * @returns for each node of `from` the node of `to` with the same URL; -1 where `to` does not know it. Both keep their
 * URLs in the order of code units, so that one way through each does: O(nodes of both); the last answer is kept.
 */
export function align(from: PackedSurvey, to: PackedSurvey): Int32Array {
    const last = matched.get(from);
    if (last?.to.deref() === to) return last.same;
    const same = merge(from.texts('url').all(), to.texts('url').all());
    matched.set(from, { to: new WeakRef(to), same });
    // The next takes its place, and is as large.
    if (!last) countKept(from, same.byteLength);
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
