/** Distinct links between pages, by what is asked of them. */
import { distinctLinks, type Links } from '../graph/distinct.ts';
import { LINK_KINDS } from '../page/links.ts';
import type { NumberColumn } from '../number-column.ts';
import type { GraphModel } from './graph-model.ts';

const A = LINK_KINDS.indexOf('a');

/** Which links are looked at. */
export interface LinkChoice {
    followed?: boolean;
    /** Pages that carry each block: blocks that stand on two pages or more are left out. */
    ownOnly?: NumberColumn | undefined;
    /** Where a link to a node leads in the end; -1 for a target that is left out. */
    landing?: Int32Array;
    /** Sources whose links count; all pages when left out. */
    from?: (node: number) => boolean;
}

/** Distinct `a` links between pages, page by page. O(nodes + link occurrences). */
export function pageLinks(model: GraphModel, choice: LinkChoice = {}): Links {
    const { count, pageStart, pageBlocks, blockList, listStart, target, kind, follow, isPage, nofollow } = model;
    const lists = listStart.length - 1;
    // Each list once: its targets among the pages, after landing.
    const starts = new Uint32Array(lists + 1);
    const targets = new Uint32Array(target.length);
    const { landing, ownOnly } = choice;
    let length = 0;
    for (let list = 0; list < lists; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] !== A || to < 0 || to >= count || (choice.followed && follow[link] === 0)) continue;
            const landed = landing ? landing[to]! : to;
            if (landed >= 0) targets[length++] = landed;
        }
        starts[list + 1] = length;
    }
    const counts = (node: number): boolean =>
        isPage[node] === 1 && !(choice.followed && nofollow[node] === 1) && (choice.from?.(node) ?? true);
    const pageTargets = new Uint32Array(count + 1);
    let occurrences = 0;
    for (let node = 0; node < count; node++) {
        if (counts(node)) {
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const block = pageBlocks[at]!;
                if (ownOnly && ownOnly[block]! > 1) continue;
                const list = blockList[block]!;
                occurrences += starts[list + 1]! - starts[list]!;
            }
        }
        pageTargets[node + 1] = occurrences;
    }
    const all = new Uint32Array(occurrences);
    let next = 0;
    for (let node = 0; node < count; node++) {
        if (pageTargets[node] === pageTargets[node + 1]) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (ownOnly && ownOnly[block]! > 1) continue;
            const list = blockList[block]!;
            const end = starts[list + 1]!;
            for (let slot = starts[list]!; slot < end; slot++) all[next++] = targets[slot]!;
        }
    }
    return distinctLinks(count, pageTargets, all);
}
