/** Pages and the marked pages they link to: where checks of links find something. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { FindingPlace } from './check.ts';

/** A page, and one of the marked targets of its links, with the first such link. */
export interface LinkedPair {
    node: number;
    target: number;
    place: FindingPlace;
    /** Number of the template that holds the link; -1 for none. */
    template: number;
}

export interface PairsAsked {
    /** 1 for the targets that are asked about. */
    marked: Uint8Array;
    /** Links that say nofollow, or stand on a page that does, are none. */
    followedOnly: boolean;
    /** One page; all where it is left out. */
    of?: number;
}

/**
 * Each page whose links count with each marked target of its `a` links, once; a link of a page to itself is none. In the
 * order of pages and of links. O(page blocks + links of lists + pairs).
 */
export function* linkedPairs(survey: PackedSurvey, { marked, followedOnly, of }: PairsAsked): Generator<LinkedPair> {
    const graph = linkGraphOf(survey);
    const { isPage, pageStart, pageBlocks, blockTemplate, blockList, nofollow } = graph;
    const targetsOf = firstMarked(survey, marked, followedOnly);
    const [from, to] = of === undefined ? [0, survey.count] : [of, of + 1];
    for (let node = from; node < to; node++) {
        if (isPage[node] !== 1 || (followedOnly && nofollow[node] === 1)) continue;
        const seen = new Set<number>([node]);
        for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
            const block = pageBlocks[pageBlock]!;
            for (const { target, at } of targetsOf(blockList[block]!)) {
                if (seen.has(target)) continue;
                seen.add(target);
                yield { node, target, place: { pageBlock, at }, template: blockTemplate[block]! };
            }
        }
    }
}

/** Marked targets of the links of a list, each with its first place; looked up once a list. */
function firstMarked(survey: PackedSurvey, marked: Uint8Array, followedOnly: boolean) {
    const { listStart, target, kind, follow } = linkGraphOf(survey);
    const none: readonly { target: number; at: number }[] = [];
    const lists = new Map<number, readonly { target: number; at: number }[]>();
    return (list: number): readonly { target: number; at: number }[] => {
        let found = lists.get(list);
        if (found === undefined) {
            const first = new Map<number, number>();
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== 0 || to < 0 || to >= survey.count || marked[to] !== 1) continue;
                if (followedOnly && follow[link] === 0) continue;
                if (!first.has(to)) first.set(to, link - listStart[list]!);
            }
            found = first.size === 0 ? none : [...first].map(([to, at]) => ({ target: to, at }));
            lists.set(list, found);
        }
        return found;
    };
}
