/** By which links of running text each page is called: for every page the `a` links to it that stand in the text of pages. */
import { once } from '../kept.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { listPlaces } from './link-words.ts';

export interface Called {
    /** Where the links to each page begin in `links`: one more than pages. */
    start: Uint32Array;
    /** Numbers of links, by target. */
    links: Uint32Array;
    /** Of each link its list. */
    lists: Uint32Array;
    /** Of each list the pages whose text holds it; 0 for lists that stand in no text. */
    pages: Uint32Array;
    /** Of each different anchor the links of running text that have it, page by page. */
    times: Uint32Array;
}

const A = 0;

/** Fragments aside; links of a page to itself left out. O(page blocks + link occurrences of different lists). */
export function calledBy(survey: PackedSurvey): Called {
    return once(survey, 'called in text', [], () => {
        const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
        const { inText, page } = listPlaces(survey);
        const anchor = survey.numbers('link_anchor');
        const pages = new Uint32Array(inText.length);
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const list = blockList[pageBlocks[at]!]!;
                if (inText[list] === 1) pages[list]!++;
            }
        }
        const times = new Uint32Array(survey.texts('link_anchor_words').length);
        const start = new Uint32Array(survey.count + 1);
        const each = (tell: (link: number, list: number, to: number) => void): void => {
            for (let list = 0; list + 1 < listStart.length; list++) {
                if (inText[list] !== 1) continue;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                    const to = target[link]!;
                    if (kind[link] === A && to >= 0 && to < survey.count && to !== page[list]) tell(link, list, to);
                }
            }
        };
        each((link, list, to) => {
            start[to + 1]!++;
            times[anchor[link]!]! += pages[list]!;
        });
        for (let node = 0; node < survey.count; node++) start[node + 1]! += start[node]!;
        const links = new Uint32Array(start[survey.count]!);
        const lists = new Uint32Array(links.length);
        const next = start.slice();
        each((link, list, to) => {
            const at = next[to]!++;
            links[at] = link;
            lists[at] = list;
        });
        return { start, links, lists, pages, times };
    });
}
