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
    /** Of each link the other pages whose text holds it; 1 or more. */
    pages: Uint32Array;
    /** Of each different anchor the links of running text that have it, page by page. */
    times: Uint32Array;
}

const A = 0;

/** Fragments aside; links of a page to itself left out. O(page blocks + link occurrences of different lists). */
export function calledBy(survey: PackedSurvey): Called {
    return once(survey, 'called in text', [], () => {
        const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
        const { inText } = listPlaces(survey);
        const anchor = survey.numbers('link_anchor');
        const { count } = survey;
        const held = new Uint32Array(inText.length);
        const eachList = (node: number, tell: (list: number) => void): void => {
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const list = blockList[pageBlocks[at]!]!;
                if (inText[list] === 1) tell(list);
            }
        };
        for (let node = 0; node < count; node++) if (isPage[node] === 1) eachList(node, (list) => held[list]!++);
        const isMeant = (link: number): boolean => kind[link] === A && target[link]! >= 0 && target[link]! < count;
        // By target, as the links stand: those of the target's own text are told apart below.
        const begin = new Uint32Array(count + 1);
        const eachLink = (tell: (link: number, list: number) => void): void => {
            for (let list = 0; list + 1 < listStart.length; list++) {
                if (held[list] === 0) continue;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++)
                    if (isMeant(link)) tell(link, list);
            }
        };
        eachLink((link) => begin[target[link]! + 1]!++);
        for (let node = 0; node < count; node++) begin[node + 1]! += begin[node]!;
        const all = { links: new Uint32Array(begin[count]!), lists: new Uint32Array(begin[count]!) };
        const next = begin.slice();
        eachLink((link, list) => {
            const at = next[target[link]!]!++;
            all.links[at] = link;
            all.lists[at] = list;
        });
        const times = new Uint32Array(survey.texts('link_anchor_words').length);
        const start = new Uint32Array(count + 1);
        const pages = new Uint32Array(all.links.length);
        /** The last page that was found to hold a list. */
        const holder = new Int32Array(inText.length).fill(-1);
        let kept = 0;
        for (let node = 0; node < count; node++) {
            if (isPage[node] === 1) eachList(node, (list) => (holder[list] = node));
            for (let at = begin[node]!; at < begin[node + 1]!; at++) {
                const list = all.lists[at]!;
                const others = held[list]! - (holder[list] === node ? 1 : 0);
                if (others === 0) continue;
                all.links[kept] = all.links[at]!;
                all.lists[kept] = list;
                pages[kept++] = others;
                times[anchor[all.links[at]!]!]! += others;
            }
            start[node + 1] = kept;
        }
        return {
            start,
            links: all.links.slice(0, kept),
            lists: all.lists.slice(0, kept),
            pages: pages.slice(0, kept),
            times,
        };
    });
}

/** A link in its place: the page, the block of the page, and the place in the list of the block. */
export interface CallPlace {
    page: number;
    pageBlock: number;
    at: number;
}

/**
 * Tells each place of the links of running text that call a page, page by page.
 * @param isMeant of a link, by its number
 * @param tell is given the place of the link among those of `calledBy`
 */
export function eachCall(
    survey: PackedSurvey,
    node: number,
    isMeant: (link: number) => boolean,
    tell: (index: number, place: CallPlace) => void,
): void {
    const { start, links, lists } = calledBy(survey);
    const { isPage, pageStart, pageBlocks, blockList, listStart } = linkGraphOf(survey);
    const wanted = new Map<number, number[]>();
    for (let index = start[node]!; index < start[node + 1]!; index++) {
        if (!isMeant(links[index]!)) continue;
        const own = wanted.get(lists[index]!);
        if (own) own.push(index);
        else wanted.set(lists[index]!, [index]);
    }
    if (wanted.size === 0) return;
    for (let page = 0; page < survey.count; page++) {
        if (isPage[page] !== 1 || page === node) continue;
        for (let pageBlock = pageStart[page]!; pageBlock < pageStart[page + 1]!; pageBlock++) {
            const list = blockList[pageBlocks[pageBlock]!]!;
            for (const index of wanted.get(list) ?? []) {
                tell(index, { page, pageBlock, at: links[index]! - listStart[list]! });
            }
        }
    }
}
