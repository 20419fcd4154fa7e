/** The links of a survey by block, counted, and the shortest ways along them. Definitions: `docs/measures.md`. */
import { compressRows } from '../graph/rows.ts';
import { depths, type Depths } from '../graph/depth.ts';
import type { Links } from '../graph/distinct.ts';
import { isFollowed, LINK_KINDS } from '../page/links.ts';
import { SELF } from '../survey/survey-rows.ts';
import { NO_ADDRESS, TO_SELF } from './packed-survey.ts';
import type { PartMaker } from './part-maker.ts';
import { NO_TARGET, type RowColumns } from './row-columns.ts';
import type { SurveyNodes } from './survey-nodes.ts';

const A = LINK_KINDS.indexOf('a');

/** Numbers of addresses as the packed survey gives them: nodes first, then every other address that something names. */
export interface Addresses {
    /** By address number of the rows. */
    of: Int32Array;
    /** URLs behind the nodes. */
    others: string[];
    /** Address numbers of the rows of those. */
    otherIds: number[];
}

export function numberAddresses(rows: RowColumns, nodes: SurveyNodes): Addresses {
    const of = nodes.nodeOf.slice();
    const others: string[] = [];
    const otherIds: number[] = [];
    for (const id of rows.addresses.values()) {
        if (of[id] !== -1) continue;
        of[id] = nodes.count + others.length;
        others.push(rows.urls[id] ?? '');
        otherIds.push(id);
    }
    return { of, others, otherIds };
}

/** The blocks of each node in its order, and the links of each list with their targets among the addresses. */
export interface NodeLinks {
    /** Blocks of node `n`: from `pageStart[n]` on. */
    pageStart: Uint32Array;
    block: Uint32Array;
    layout: Uint32Array;
    line: Uint32Array;
    blockList: Uint32Array;
    listStart: Uint32Array;
    target: Int32Array;
    kind: Uint8Array;
    /** 1 unless the link itself says nofollow, ugc or sponsored. */
    follow: Uint8Array;
    /** 1 for pages that say nofollow of all their links. */
    nofollow: Uint8Array;
}

export function linksByNode(rows: RowColumns, nodes: SurveyNodes, addresses: Addresses): NodeLinks {
    const { count, nodeOf } = nodes;
    const onPage = rows.onPage.values();
    const first = new Uint32Array(count).fill(onPage.length);
    const pageStart = new Uint32Array(count + 1);
    for (let at = onPage.length - 1; at >= 0; at--) {
        const node = nodeOf[onPage[at]!] ?? -1;
        if (node === -1) continue;
        first[node] = at;
        pageStart[node + 1]!++;
    }
    for (let node = 0; node < count; node++) pageStart[node + 1]! += pageStart[node]!;
    const inOrder = (values: Uint32Array): Uint32Array => {
        const ordered = new Uint32Array(pageStart[count]!);
        for (let node = 0; node < count; node++) {
            const from = first[node]!;
            ordered.set(values.subarray(from, from + pageStart[node + 1]! - pageStart[node]!), pageStart[node]!);
        }
        return ordered;
    };
    const target = Int32Array.from(rows.linkTarget.values(), (id) =>
        id === NO_TARGET ? NO_ADDRESS : id === SELF ? TO_SELF : (addresses.of[id] ?? NO_ADDRESS),
    );
    const followed = Uint8Array.from(rows.rels.texts, (rel) => (isFollowed(rel, false) ? 1 : 0));
    return {
        pageStart,
        block: inOrder(rows.onPageBlock.values()),
        layout: inOrder(rows.onPageLayout.values()),
        line: inOrder(rows.onPageLine.values()),
        blockList: rows.blockList.values(),
        listStart: rows.listStart.values(),
        target,
        kind: rows.linkKind.values(),
        follow: Uint8Array.from(rows.linkRel.values(), (rel) => followed[rel]!),
        nofollow: Uint8Array.from(nodes.pages, (page) => (page?.nofollow ? 1 : 0)),
    };
}

export interface LinkCounts {
    incomingLinks: Uint32Array;
    incomingFollowed: Uint32Array;
    incomingPages: Uint32Array;
    outgoingLinks: Uint32Array;
    /** Different pages whose links count that carry each block. */
    blockPages: Uint32Array;
}

/** Counts of `a` links over all pages whose links count; a link of a page to itself counts nowhere. O(occurrences). */
export function countLinks(nodes: SurveyNodes, links: NodeLinks): LinkCounts {
    const { count, isPage } = nodes;
    const { pageStart, block, blockList, listStart, target, kind, follow, nofollow } = links;
    const counts: LinkCounts = {
        incomingLinks: new Uint32Array(count),
        incomingFollowed: new Uint32Array(count),
        incomingPages: new Uint32Array(count),
        outgoingLinks: new Uint32Array(count),
        blockPages: new Uint32Array(blockList.length),
    };
    const lastSource = new Int32Array(count).fill(-1);
    const lastPage = new Int32Array(blockList.length).fill(-1);
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const own = block[at]!;
            if (lastPage[own] !== node) {
                lastPage[own] = node;
                counts.blockPages[own]!++;
            }
            const list = blockList[own]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to === NO_ADDRESS || to === node) continue;
                counts.outgoingLinks[node]!++;
                if (to < 0 || to >= count) continue;
                counts.incomingLinks[to]!++;
                if (follow[link] === 1 && nofollow[node] === 0) counts.incomingFollowed[to]!++;
                if (lastSource[to] !== node) {
                    lastSource[to] = node;
                    counts.incomingPages[to]!++;
                }
            }
        }
    }
    return counts;
}

export interface Ways extends Depths {
    /** How the shortest path enters each node: which block of its parent (an index of `block`); -1 for no link. */
    wayBlock: Int32Array;
    /** And which link of the block's list. */
    wayLink: Int32Array;
}

/** Depth from the start nodes along `a` links of pages that are open to us; redirects cost no click. O(occurrences). */
export function waysFrom(starts: readonly number[], nodes: SurveyNodes, links: NodeLinks): Ways {
    const { count, pages, isPage, nodeOf } = nodes;
    const { pageStart, block, blockList, listStart, target, kind } = links;
    const isOpen = (node: number): boolean => pages[node] !== null && pages[node]!.robotsAllowed !== false;
    const leads = (link: number, node: number): boolean => {
        const to = target[link]!;
        return kind[link] === A && to >= 0 && to < count && to !== node;
    };
    const start = new Uint32Array(count + 1);
    /** First slot of each block of each node. */
    const blockSlot = new Uint32Array(block.length + 1);
    let slots = 0;
    for (let node = 0; node < count; node++) {
        const counts = isPage[node] === 1 && isOpen(node);
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            if (counts) {
                const list = blockList[block[at]!]!;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++) if (leads(link, node)) slots++;
            }
            blockSlot[at + 1] = slots;
        }
        start[node + 1] = slots;
    }
    const targets = new Uint32Array(slots);
    const slotLink = new Uint32Array(slots);
    for (let node = 0, slot = 0; node < count; node++) {
        if (start[node] === start[node + 1]) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[block[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (!leads(link, node)) continue;
                targets[slot] = target[link]!;
                slotLink[slot++] = link;
            }
        }
    }
    const freeFrom: number[] = [];
    const freeTo: number[] = [];
    pages.forEach((page, node) => {
        if (page === null || !isOpen(node)) return;
        for (const to of [page.redirectTo, page.instantRefresh]) {
            const landed = to === null ? -1 : (nodeOf[to] ?? -1);
            if (landed === -1 || landed === node) continue;
            freeFrom.push(node);
            freeTo.push(landed);
        }
    });
    const clicks: Links = { nodes: count, start, targets };
    const found = depths(clicks, compressRows(count, freeFrom, freeTo), starts);
    const wayBlock = new Int32Array(count).fill(-1);
    const wayLink = new Int32Array(count).fill(-1);
    for (let node = 0; node < count; node++) {
        const parent = found.parent[node]!;
        const slot = found.enteredBy[node]!;
        if (parent === -1 || slot === -1 || found.depth[parent] === found.depth[node]) continue;
        const at = blockOfSlot(blockSlot, slot, pageStart[parent]!, pageStart[parent + 1]!);
        wayBlock[node] = at;
        wayLink[node] = slotLink[slot]! - listStart[blockList[block[at]!]!]!;
    }
    return { ...found, wayBlock, wayLink };
}

/** The last block that begins at or before a slot and holds any. O(log blocks of the page). */
function blockOfSlot(blockSlot: Uint32Array, slot: number, from: number, to: number): number {
    let low = from;
    let high = to - 1;
    while (low < high) {
        const middle = (low + high) >> 1;
        if (blockSlot[middle + 1]! <= slot) low = middle + 1;
        else high = middle;
    }
    return low;
}

/** The columns of links, of their blocks and lists, and of what they point at outside the site. */
export function packBlocks(
    core: PartMaker,
    links: PartMaker,
    rows: RowColumns,
    byNode: NodeLinks,
    addresses: Addresses,
): void {
    core.numbers('page_block_start', byNode.pageStart);
    core.numbers('page_block', byNode.block);
    links.numbers('page_block_layout', byNode.layout);
    links.numbers('page_block_line', byNode.line);
    core.numbers('block_region', rows.blockRegion.values());
    core.numbers('block_list', byNode.blockList);
    links.numbered('block_place', rows.blockPlace.values(), rows.places);
    links.texts('block_name', rows.blockNames);
    core.numbers('list_start', byNode.listStart);
    core.numbers('link_target', byNode.target);
    core.numbers('link_kind', byNode.kind);
    core.numbers('link_follow', byNode.follow);
    links.numbered('link_anchor', rows.linkAnchor.values(), rows.anchors);
    links.numbered('link_name', rows.linkName.values(), rows.names);
    links.numbered('link_rel', rows.linkRel.values(), rows.rels);
    links.numbered('link_fragment', rows.linkFragment.values(), rows.fragments);
    links.numbered('link_text', rows.linkText.values(), rows.texts);
    const internal = rows.internal.values();
    const checks = new Map(rows.checks.map((row) => [row.address, row]));
    links.numbers(
        'other_internal',
        addresses.otherIds.map((id) => internal[id]!),
    );
    links.numbers('other_address', addresses.otherIds);
    links.numbers(
        'other_status',
        addresses.otherIds.map((id) => checks.get(id)?.status ?? 0),
    );
    links.numbers(
        'other_check',
        addresses.otherIds.map((id) => {
            const check = checks.get(id);
            if (!check) return CHECK.notAsked;
            if (check.notRead === 'robots') return CHECK.closed;
            return check.status === null || check.status >= 400 ? CHECK.broken : CHECK.fine;
        }),
    );
}

/** Column `other_check`: what came of asking for an address that is no page of the site. */
export const CHECK = { notAsked: 0, fine: 1, broken: 2, closed: 3 } as const;
