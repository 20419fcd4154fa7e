/** Pages and the marked pages they link to: where checks of links find something. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { ANY_LINK, type LinkSort } from './check.ts';

export interface PairsAsked {
    /** 1 for the targets that are asked about. */
    marked: Uint8Array;
    /** Which links count; any where it is left out. */
    links?: LinkSort;
    /** One page; all where it is left out. */
    of?: number;
}

/**
 * Tells each page whose links count with each marked target of its `a` links, once, with the
 * place of the first such link; a link of a page to itself is none. In the order of pages and of links. O(page blocks + links of lists + pairs).
 */
export function eachLinkedPair(
    survey: PackedSurvey,
    { marked, links = ANY_LINK, of }: PairsAsked,
    visit: (node: number, target: number, pageBlock: number, at: number, template: number) => void,
): void {
    const { isPage, pageStart, pageBlocks, blockTemplate, blockList, nofollow } = linkGraphOf(survey);
    const [plain, declining] = [
        firstMarked(survey, marked, links.takes),
        // On a page that declines all its links no link is followed.
        firstMarked(survey, marked, links.takes === 'followed' ? 'none' : 'any'),
    ];
    const isMeant = sourceOf(survey, links.from);
    /** The last page that each target was told of. */
    const last = new Int32Array(survey.count).fill(-1);
    const [from, to] = of === undefined ? [0, survey.count] : [of, of + 1];
    for (let node = from; node < to; node++) {
        if (isPage[node] !== 1 || !isMeant(node)) continue;
        const targetsOf = nofollow[node] === 1 ? declining : plain;
        last[node] = node;
        for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
            const block = pageBlocks[pageBlock]!;
            for (const { target, at } of targetsOf(blockList[block]!)) {
                if (last[target] === node) continue;
                last[target] = node;
                visit(node, target, pageBlock, at, blockTemplate[block]!);
            }
        }
    }
}

/** Whether the links of a page are asked about. */
export function sourceOf(survey: PackedSurvey, from: LinkSort['from']): (node: number) => boolean {
    const gate = survey.numbers('gate');
    if (from === 'indexable') return (node) => gate[node] === GATE_INDEXABLE;
    if (from === 'https') return (node) => survey.url(node).startsWith('https:');
    return () => true;
}

/** Marked targets of the links of a list, each with its first place; looked up once a list. */
function firstMarked(survey: PackedSurvey, marked: Uint8Array, takes: LinkSort['takes'] | 'none') {
    const { listStart, target, kind, follow } = linkGraphOf(survey);
    const none: readonly { target: number; at: number }[] = [];
    const lists = new Map<number, readonly { target: number; at: number }[]>();
    const isTaken = (link: number): boolean =>
        takes === 'any' || (takes === 'followed' ? follow[link] === 1 : takes === 'declined' && follow[link] === 0);
    return (list: number): readonly { target: number; at: number }[] => {
        let found = lists.get(list);
        if (found === undefined) {
            const first = new Map<number, number>();
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== 0 || to < 0 || to >= survey.count || marked[to] !== 1 || !isTaken(link)) continue;
                if (!first.has(to)) first.set(to, link - listStart[list]!);
            }
            found = first.size === 0 ? none : [...first].map(([to, at]) => ({ target: to, at }));
            lists.set(list, found);
        }
        return found;
    };
}
