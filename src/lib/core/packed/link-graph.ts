/**
 * The links of a packed survey by block: a page has blocks, a block has a list of links, and a menu on 30,000 pages is
 * one list. What looks at links looks at each list once and at each page's blocks once.
 */
import { LINK_KINDS } from '../page/links.ts';
import { compressRows } from '../graph/rows.ts';
import { distinctLinks, reversed, type Links } from '../graph/distinct.ts';
import type { NumberColumn } from './sections.ts';
import type { PackedSurvey } from './packed-survey.ts';

const A = LINK_KINDS.indexOf('a');
const REFRESH = LINK_KINDS.indexOf('meta-refresh');

export interface LinkGraph {
    /** Blocks of page `n`: `pageBlocks[pageStart[n]] …`. Pages whose links do not count have theirs too. */
    pageStart: NumberColumn;
    pageBlocks: NumberColumn;
    blockRegion: NumberColumn;
    blockList: NumberColumn;
    /** Number of its template in the head, -1 for none. */
    blockTemplate: NumberColumn;
    /** Different pages whose links count that carry it. */
    blockPages: NumberColumn;
    listStart: NumberColumn;
    /** Address of each link: below `count` a page of the site; `TO_SELF`, `NO_ADDRESS`. */
    target: NumberColumn;
    kind: NumberColumn;
    /** 1 unless the link itself says nofollow, ugc or sponsored. */
    follow: NumberColumn;
    /** 1 for pages whose links count: 200 and HTML. */
    isPage: NumberColumn;
    /** 1 for pages that say nofollow of all their links. */
    nofollow: NumberColumn;
}

export function linkGraphOf(survey: PackedSurvey): LinkGraph {
    return { ...blockGraphOf(survey), blockTemplate: survey.numbers('block_template') };
}

/** The same before blocks are grouped into templates. */
export function blockGraphOf(survey: PackedSurvey): Omit<LinkGraph, 'blockTemplate'> {
    const of = (name: string): NumberColumn => survey.numbers(name);
    return {
        pageStart: of('page_block_start'),
        pageBlocks: of('page_block'),
        blockRegion: of('block_region'),
        blockList: of('block_list'),
        blockPages: of('block_pages'),
        listStart: of('list_start'),
        target: of('link_target'),
        kind: of('link_kind'),
        follow: of('link_follow'),
        isPage: of('page'),
        nofollow: of('nofollow'),
    };
}

/** 1 for each URL of the site to which a page that answered 200 leads on by a refresh. O(link occurrences). */
export function refreshTargets(survey: PackedSurvey): Uint8Array {
    const { pageStart, pageBlocks, blockList, listStart, target, kind, isPage } = blockGraphOf(survey);
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

/** Which links are looked at. */
export interface LinkChoice {
    followed?: boolean;
    /** Leave out blocks that stand on two pages or more. */
    ownOnly?: boolean;
    /** Where a link to a node leads in the end; -1 for a target that is left out. */
    landing?: Int32Array;
    /** Sources whose links count; all pages when left out. */
    from?: (node: number) => boolean;
}

/** Distinct `a` links between pages, page by page. O(nodes + link occurrences). */
export function pageLinks(survey: PackedSurvey, choice: LinkChoice = {}): Links {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockPages, listStart, target, kind, follow, isPage, nofollow } = graph;
    const { count } = survey;
    const lists = listStart.length - 1;
    // Each list once: its targets among the pages, after landing.
    const starts = new Uint32Array(lists + 1);
    const targets = new Uint32Array(target.length);
    const { landing } = choice;
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
                if (choice.ownOnly && blockPages[block]! > 1) continue;
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
            if (choice.ownOnly && blockPages[block]! > 1) continue;
            const list = blockList[block]!;
            const end = starts[list + 1]!;
            for (let slot = starts[list]!; slot < end; slot++) all[next++] = targets[slot]!;
        }
    }
    return distinctLinks(count, pageTargets, all);
}

/** HTTP redirects and instant refreshes, which cost no click. */
export function freeLinks(survey: PackedSurvey): Links {
    const redirect = survey.numbers('redirect');
    const refresh = survey.numbers('refresh');
    const allowed = survey.numbers('robots_allowed');
    const from: number[] = [];
    const to: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (allowed[node] === 0) continue;
        for (const target of [redirect[node]!, refresh[node]!]) {
            if (target < 0 || target >= survey.count || target === node) continue;
            from.push(node);
            to.push(target);
        }
    }
    const { start, targets } = compressRows(survey.count, from, to);
    return { nodes: survey.count, start, targets };
}

/** The graph of depth: clicks from pages that are open to us, and beside them what costs none. */
export function depthGraph(survey: PackedSurvey, followed = false): { clicks: Links; free: Links } {
    const allowed = survey.numbers('robots_allowed');
    return {
        clicks: pageLinks(survey, { followed, from: (node) => allowed[node] !== 0 }),
        free: freeLinks(survey),
    };
}

/** Both kinds of edges of the graph of depth as one: for dominators and components, redirects are nodes like others. */
export function wayGraph(survey: PackedSurvey, followed = false): { out: Links; into: Links } {
    const { clicks, free } = depthGraph(survey, followed);
    let out = clicks;
    if (free.targets.length > 0) {
        const start = new Uint32Array(survey.count + 1);
        const targets = new Uint32Array(clicks.targets.length + free.targets.length);
        let length = 0;
        for (let node = 0; node < survey.count; node++) {
            for (const { start: starts, targets: own } of [clicks, free]) {
                for (let slot = starts[node]!; slot < starts[node + 1]!; slot++) targets[length++] = own[slot]!;
            }
            start[node + 1] = length;
        }
        out = distinctLinks(survey.count, start, targets);
    }
    return { out, into: reversed(out) };
}

/** Where redirects of a page end: the first URL that does not redirect; -1 for a loop or one that leads out of the site. */
export function landings(survey: PackedSurvey): Int32Array {
    const redirect = survey.numbers('redirect');
    const landing = new Int32Array(survey.count).fill(-3);
    const way: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        let at = node;
        way.length = 0;
        while (landing[at] === -3) {
            way.push(at);
            // On the way: whoever comes here again has gone round.
            landing[at] = -1;
            const next = redirect[at]!;
            if (next === -1) landing[at] = at;
            else if (next < 0 || next >= survey.count) break;
            else {
                at = next;
                continue;
            }
            break;
        }
        const end = landing[at]!;
        for (const step of way) landing[step] = end;
    }
    return landing;
}
