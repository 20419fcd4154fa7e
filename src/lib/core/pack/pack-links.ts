/** The links of a survey by block, with their targets as packed addresses. */
import { isFollowed } from '../page/links.ts';
import { SELF } from '../survey/survey-rows.ts';
import { NO_ADDRESS, TO_SELF } from '../model/graph-model.ts';
import type { PartMaker } from './part-maker.ts';
import { NO_TARGET, type RowColumns } from './row-columns.ts';
import type { SurveyNodes } from './survey-nodes.ts';

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
    links.numbers('link_marks', rows.linkMarks.values());
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
