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

/** Of pages that answered 200 with HTML. Once for each survey and kind. O(page blocks + links of lists). */
export function headLinksOf(survey: PackedSurvey, kind: Exclude<LinkKind, 'a'>): HeadLinks {
    return once(survey, 'head links', [kind], () => {
        const { isPage, pageStart, pageBlocks, blockList, listStart, kind: kinds } = linkGraphOf(survey);
        const code = LINK_KINDS.indexOf(kind);
        const lists: (number[] | undefined)[] = [];
        for (let list = 0; list + 1 < listStart.length; list++) {
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (kinds[link] === code) (lists[list] ??= []).push(link);
            }
        }
        const start = new Uint32Array(survey.count + 1);
        const found: number[] = [];
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] === 1) {
                for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                    found.push(...(lists[blockList[pageBlocks[at]!]!] ?? []));
                }
            }
            start[node + 1] = found.length;
        }
        return { start, link: Uint32Array.from(found) };
    });
}
