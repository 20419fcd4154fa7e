/** The links of a packed survey by block, with what was measured of the blocks. */
import { LINK_KINDS } from '../page/links.ts';
import type { LinkBlocks } from '../model/graph-model.ts';
import type { NumberColumn } from '../number-column.ts';
import type { PackedSurvey } from './packed-survey.ts';

const REFRESH = LINK_KINDS.indexOf('meta-refresh');

export interface LinkGraph extends LinkBlocks {
    /** Number of the template of each block, -1 for none. */
    blockTemplate: NumberColumn;
    /** Different pages whose links count that carry it. */
    blockPages: NumberColumn;
    /** 1 for pages whose links count: 200 and HTML. */
    isPage: NumberColumn;
    /** 1 for pages that say nofollow of all their links. */
    nofollow: NumberColumn;
}

/** Facts of links and blocks. */
export function blocksOf(survey: PackedSurvey): LinkBlocks {
    return {
        pageStart: survey.numbers('page_block_start'),
        pageBlocks: survey.numbers('page_block'),
        blockRegion: survey.numbers('block_region'),
        blockList: survey.numbers('block_list'),
        listStart: survey.numbers('list_start'),
        target: survey.numbers('link_target'),
        kind: survey.numbers('link_kind'),
        follow: survey.numbers('link_follow'),
    };
}

export function linkGraphOf(survey: PackedSurvey): LinkGraph {
    return {
        ...blocksOf(survey),
        blockTemplate: survey.numbers('block_template'),
        blockPages: survey.numbers('block_pages'),
        isPage: survey.numbers('page'),
        nofollow: survey.numbers('nofollow'),
    };
}

/** 1 for each URL of the site to which a page that answered 200 leads on by a refresh. O(link occurrences). */
export function refreshTargets(survey: PackedSurvey): Uint8Array {
    const { pageStart, pageBlocks, blockList, listStart, target, kind, isPage } = linkGraphOf(survey);
    const led = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] === REFRESH && to >= 0 && to < survey.count && to !== node) led[to] = 1;
            }
        }
    }
    return led;
}

/** The list a link stands in. O(log lists) */
export function listOfLink(survey: PackedSurvey, link: number): number {
    const start = survey.numbers('list_start');
    let low = 0;
    let high = start.length - 2;
    while (low < high) {
        const middle = (low + high + 1) >> 1;
        if (start[middle]! <= link) low = middle;
        else high = middle - 1;
    }
    return low;
}

/** Where a link leads: a URL, or what is written in place of one. */
export function linkEnd(survey: PackedSurvey, link: number): string {
    const to = survey.numbers('link_target')[link]!;
    return to >= 0 ? survey.addressUrl(to) : survey.word('link_text', link);
}
