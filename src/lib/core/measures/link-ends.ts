/** Where the followed links of pages end, after redirects. */
import { LINK_KINDS } from '../page/links.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { landings } from '../model/landings.ts';

const A = LINK_KINDS.indexOf('a');

/**
 * Tells for each page whose links count where its followed links end: distinct internal URLs, after landing. The array is
 * used again for the next page. O(link occurrences).
 */
export function eachEnds(model: GraphModel, visit: (node: number, ends: readonly number[]) => void): void {
    const { count, pageStart, pageBlocks, blockList, listStart, target, kind, follow, isPage, nofollow } = model;
    const landing = landings(model);
    const mark = new Int32Array(count).fill(-1);
    const ends: number[] = [];
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1 || nofollow[node] === 1) continue;
        ends.length = 0;
        mark[node] = node;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || follow[link] === 0 || to < 0 || to >= count) continue;
                // Redirects that go round, or out of the site, have no end in it: the link counts for nothing.
                const end = landing[to]!;
                if (end === -1 || mark[end] === node) continue;
                mark[end] = node;
                ends.push(end);
            }
        }
        visit(node, ends);
    }
}
