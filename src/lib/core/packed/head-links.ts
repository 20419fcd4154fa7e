/** Links of a page that are no `a` links, by kind: what it names in its head, or in headers, and what sends readers on. */
import { once } from '../kept.ts';
import { LINK_KINDS, type LinkKind } from '../page/links.ts';
import { linkGraphOf } from './link-graph.ts';
import type { PackedSurvey } from './packed-survey.ts';

export interface HeadLinks {
    /** First of each page in `link`; one more at the end. */
    start: Uint32Array;
    /** Numbers of links of lists, in the order they stand. */
    link: Uint32Array;
}

/** Of pages that answered 200 with HTML. Once for each survey, for all kinds. O(page blocks + links of lists). */
export function headLinksOf(survey: PackedSurvey, kind: Exclude<LinkKind, 'a'>): HeadLinks {
    const found = once(survey, 'head links', [], () => {
        const { listStart, kind: kinds } = linkGraphOf(survey);
        /** Links of each list that has any, by kind. */
        const lists = new Map<number, Map<number, number[]>>();
        for (let list = 0; list + 1 < listStart.length; list++) {
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const own = kinds[link]!;
                if (own === ANCHOR) continue;
                const ofKind = lists.get(own) ?? new Map<number, number[]>();
                lists.set(own, ofKind);
                const links = ofKind.get(list);
                if (links) links.push(link);
                else ofKind.set(list, [link]);
            }
        }
        return new Map([...lists].map(([code, own]) => [code, ofPages(survey, own)]));
    });
    return (
        found.get(LINK_KINDS.indexOf(kind)) ?? { start: new Uint32Array(survey.count + 1), link: new Uint32Array(0) }
    );
}

const ANCHOR = LINK_KINDS.indexOf('a');

function ofPages(survey: PackedSurvey, lists: ReadonlyMap<number, readonly number[]>): HeadLinks {
    const { isPage, pageStart, pageBlocks, blockList } = linkGraphOf(survey);
    const blocks = new Uint8Array(blockList.length);
    for (let block = 0; block < blocks.length; block++) if (lists.has(blockList[block]!)) blocks[block] = 1;
    const start = new Uint32Array(survey.count + 1);
    const found: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] === 1) {
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const block = pageBlocks[at]!;
                if (blocks[block] === 1) found.push(...lists.get(blockList[block]!)!);
            }
        }
        start[node + 1] = found.length;
    }
    return { start, link: Uint32Array.from(found) };
}
