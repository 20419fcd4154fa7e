/**
 * A survey's rows, measured the plain way: one node per known internal URL, link by link. A second implementation of the
 * definitions in `docs/measures.md`, which the packed survey is held against, and what tests look rows up in.
 */
import { evidenceBit } from '$lib/core/evidence/evidence.ts';
import { plainDepths, plainFollowed, plainGates, plainRows, type PlainGates } from './plain.ts';
import type { Rows } from '$lib/core/graph/rows.ts';
import type { Depths } from '$lib/core/graph/depth.ts';
import { isReadHtml } from '$lib/core/survey/page-kind.ts';
import { ORPHAN } from '$lib/core/measures/orphans.ts';
import type {
    BlockRow,
    CheckRow,
    LayoutRow,
    ListedLink,
    PageRow,
    SurveyInfo,
    SurveyRows,
} from '$lib/core/survey/survey-rows.ts';

/** The `a` links between two different internal URLs, one entry per occurrence. */
export interface LinkEdges {
    from: Uint32Array;
    to: Uint32Array;
    /** Index into the survey's page blocks. */
    pageBlock: Uint32Array;
    /** Index of the link in the block's list. */
    link: Uint32Array;
    followed: Uint8Array;
}

export interface MeasuredSurvey {
    info: SurveyInfo;
    rows: SurveyRows;
    /** Number of nodes. */
    count: number;
    /** URL of each node, ascending by code unit. */
    urls: string[];
    /** Address number of each node. */
    addressOf: Uint32Array;
    /** Node of an address number; -1 for addresses that are no known internal URL. */
    nodeOf: Int32Array;
    /** What was settled of each node; null while it waits. */
    pages: (PageRow | null)[];
    start: number;
    depths: Depths;
    gates: PlainGates[];
    evidence: Uint16Array;
    incomingLinks: Uint32Array;
    incomingFollowed: Uint32Array;
    incomingPages: Uint32Array;
    outgoingLinks: Uint32Array;
    orphan: Int8Array;
    edges: LinkEdges;
    /** Edges by target: who links here. */
    incoming: Rows;
    /** Some sitemap could be read, so "not in the sitemap" is a fact. */
    hasSitemap: boolean;
    /** Nothing was left unread because of a limit or a stop: orphans are a fact. */
    complete: boolean;
    /** Index of each node's first page block; they lie together. */
    firstBlock: Uint32Array;
    blockById: Map<number, BlockRow>;
    listById: Map<number, ListedLink[]>;
    layoutById: Map<number, LayoutRow>;
    urlById: Map<number, string>;
    internalById: Map<number, boolean>;
    /** Targets that are no pages of the site and were asked for their status. */
    checkById: Map<number, CheckRow>;
}

/** A growing column of numbers. */
class Column {
    #values = new Uint32Array(1024);
    length = 0;

    push(value: number): void {
        if (this.length === this.#values.length) {
            const grown = new Uint32Array(this.length * 2);
            grown.set(this.#values);
            this.#values = grown;
        }
        this.#values[this.length++] = value;
    }

    done(): Uint32Array {
        return this.#values.slice(0, this.length);
    }
}

/** Measures a survey. O(rows + link occurrences). */
export function measureSurvey(info: SurveyInfo, rows: SurveyRows): MeasuredSurvey {
    const urlById = new Map<number, string>();
    const internalById = new Map<number, boolean>();
    let highest = -1;
    for (const address of rows.addresses) {
        urlById.set(address.id, address.url);
        internalById.set(address.id, address.internal);
        highest = Math.max(highest, address.id);
    }
    const pageByAddress = new Map<number, PageRow>(rows.pages.map((page) => [page.address, page]));
    const blockById = new Map(rows.blocks.map((block) => [block.id, block]));
    const listById = new Map(rows.lists.map((list) => [list.id, list.links]));
    const layoutById = new Map(rows.layouts.map((layout) => [layout.id, layout]));
    rows.pageBlocks.sort((a, b) => a.page - b.page || a.ordinal - b.ordinal);

    const mask = collectEvidence(rows, highest + 1, urlById, internalById, pageByAddress, blockById, listById);

    // Nodes: internal addresses that something other than themselves speaks of, or that were asked for.
    const known: number[] = [];
    for (const address of rows.addresses) {
        if (address.internal && (mask[address.id] !== 0 || pageByAddress.has(address.id))) known.push(address.id);
    }
    const urlOf = (id: number): string => urlById.get(id) ?? '';
    known.sort((a, b) => (urlOf(a) < urlOf(b) ? -1 : urlOf(a) > urlOf(b) ? 1 : 0));
    const count = known.length;
    const addressOf = Uint32Array.from(known);
    const nodeOf = new Int32Array(highest + 1).fill(-1);
    known.forEach((id, node) => (nodeOf[id] = node));
    const pages = known.map((id) => pageByAddress.get(id) ?? null);

    const edges = collectEdges(rows, pages, nodeOf, blockById, listById);
    const counts = countLinks(rows, count, pages, addressOf, nodeOf, edges, blockById, listById);
    const { clicks, free } = depthRows(count, pages, nodeOf, edges);
    const startNodes = [info.start, ...(info.starts ?? [])].map((url) => {
        const id = rows.addresses.find((address) => address.url === url)?.id;
        return id === undefined ? -1 : (nodeOf[id] ?? -1);
    });
    const start = startNodes[0] ?? -1;
    const found = plainDepths(
        clicks,
        free,
        startNodes.filter((node) => node !== -1),
    );
    // From slots of the rows to numbers of the edge list; what a redirect enters has no link to show.
    for (let node = 0; node < count; node++) {
        const slot = found.enteredBy[node]!;
        const above = found.parent[node]!;
        if (slot !== -1 && found.depth[above] !== found.depth[node]) found.enteredBy[node] = clicks.edges[slot]!;
    }

    const gates = pages.map((page, node) => {
        const url = urlOf(known[node]!);
        return plainGates({
            url,
            robotsAllowed: page?.robotsAllowed ?? null,
            robotsRule: page?.robotsRule ?? '',
            status: page?.status ?? null,
            failure: page?.failure ?? '',
            redirectTo: page?.redirectTo == null ? '' : urlOf(page.redirectTo),
            instantRefresh: page?.instantRefresh == null ? '' : urlOf(page.instantRefresh),
            contentType: page?.contentType ?? '',
            noindex: page?.noindex ?? false,
            noindexReason: page?.noindexReason ?? '',
            canonicals: (page?.canonicals ?? []).map(urlOf),
        });
    });

    const complete = info.cut.length === 0 && info.state === 'finished';
    const orphan = new Int8Array(count);
    for (let node = 0; node < count; node++) {
        const page = pages[node] ?? null;
        if (!isReadHtml(page) || found.depth[node] !== -1) orphan[node] = ORPHAN.no;
        else if (!complete) orphan[node] = ORPHAN.unknown;
        else orphan[node] = counts.incomingPages[node] === 0 ? ORPHAN.strict : ORPHAN.adrift;
    }
    if (!complete) orphan.fill(ORPHAN.unknown);

    return {
        info,
        rows,
        count,
        urls: known.map(urlOf),
        addressOf,
        nodeOf,
        pages,
        start,
        depths: found,
        gates,
        evidence: Uint16Array.from(known, (id) => mask[id]!),
        ...counts,
        orphan,
        edges,
        incoming: plainRows(count, edges.to, edges.from),
        hasSitemap: rows.files.some((file) => file.kind === 'sitemap' && file.entries !== null),
        complete,
        firstBlock: blockStarts(rows, addressOf),
        blockById,
        listById,
        layoutById,
        urlById,
        internalById,
        checkById: new Map(rows.checks.map((row) => [row.address, row])),
    };
}

/** Index of the first page block of each node; page blocks lie in the order of address numbers. */
function blockStarts(rows: SurveyRows, addressOf: Uint32Array): Uint32Array {
    const first = new Map<number, number>();
    rows.pageBlocks.forEach((item, index) => {
        if (!first.has(item.page)) first.set(item.page, index);
    });
    return Uint32Array.from(addressOf, (id) => first.get(id) ?? rows.pageBlocks.length);
}

function collectEvidence(
    rows: SurveyRows,
    size: number,
    urlById: Map<number, string>,
    internalById: Map<number, boolean>,
    pageByAddress: Map<number, PageRow>,
    blockById: Map<number, BlockRow>,
    listById: Map<number, ListedLink[]>,
): Uint16Array {
    const mask = new Uint16Array(size);
    const add = (id: number, bit: number): void => {
        if (internalById.get(id)) mask[id]! |= bit;
    };
    const byKind = new Map([
        ['a', evidenceBit('link')],
        ['canonical', evidenceBit('canonical')],
        ['hreflang', evidenceBit('hreflang')],
        ['meta-refresh', evidenceBit('redirect')],
    ]);
    for (const item of rows.evidence) add(item.address, evidenceBit(item.evidence));
    for (const page of rows.pages) {
        if (page.redirectTo !== null && page.redirectTo !== page.address) add(page.redirectTo, evidenceBit('redirect'));
    }
    for (const item of rows.pageBlocks) {
        // Links on a page with another status than 200 are kept, but speak for nothing.
        if (!isReadHtml(pageByAddress.get(item.page) ?? null)) continue;
        const block = blockById.get(item.block);
        for (const link of (block && listById.get(block.list)) ?? []) {
            const bit = byKind.get(link.kind);
            // What a page says of itself makes nothing known.
            if (bit !== undefined && link.target !== null && link.target !== item.page) add(link.target, bit);
        }
    }
    return mask;
}

function collectEdges(
    rows: SurveyRows,
    pages: (PageRow | null)[],
    nodeOf: Int32Array,
    blockById: Map<number, BlockRow>,
    listById: Map<number, ListedLink[]>,
): LinkEdges {
    const from = new Column();
    const to = new Column();
    const pageBlock = new Column();
    const link = new Column();
    const followed = new Column();
    rows.pageBlocks.forEach((item, index) => {
        const source = nodeOf[item.page] ?? -1;
        const page = pages[source] ?? null;
        if (source === -1 || page === null || !isReadHtml(page)) return;
        const block = blockById.get(item.block);
        const links = (block && listById.get(block.list)) ?? [];
        for (let at = 0; at < links.length; at++) {
            const listed = links[at]!;
            if (listed.kind !== 'a' || listed.target === null || listed.target === item.page) continue;
            const target = nodeOf[listed.target] ?? -1;
            if (target === -1) continue;
            from.push(source);
            to.push(target);
            pageBlock.push(index);
            link.push(at);
            followed.push(plainFollowed(listed.rel, page.nofollow) ? 1 : 0);
        }
    });
    return {
        from: from.done(),
        to: to.done(),
        pageBlock: pageBlock.done(),
        link: link.done(),
        followed: Uint8Array.from(followed.done()),
    };
}

function countLinks(
    rows: SurveyRows,
    count: number,
    pages: (PageRow | null)[],
    addressOf: Uint32Array,
    nodeOf: Int32Array,
    edges: LinkEdges,
    blockById: Map<number, BlockRow>,
    listById: Map<number, ListedLink[]>,
): Pick<MeasuredSurvey, 'incomingLinks' | 'incomingFollowed' | 'incomingPages' | 'outgoingLinks'> {
    const incomingLinks = new Uint32Array(count);
    const incomingFollowed = new Uint32Array(count);
    const incomingPages = new Uint32Array(count);
    const outgoingLinks = new Uint32Array(count);
    // Edges come source by source, so "last source seen" tells a new source page from a further link of the same.
    const lastSource = new Int32Array(count).fill(-1);
    for (let edge = 0; edge < edges.from.length; edge++) {
        const source = edges.from[edge]!;
        const target = edges.to[edge]!;
        incomingLinks[target]!++;
        if (edges.followed[edge]) incomingFollowed[target]!++;
        if (lastSource[target] !== source) {
            lastSource[target] = source;
            incomingPages[target]!++;
        }
    }
    for (const item of rows.pageBlocks) {
        const source = nodeOf[item.page] ?? -1;
        if (source === -1 || !isReadHtml(pages[source] ?? null)) continue;
        const block = blockById.get(item.block);
        for (const link of (block && listById.get(block.list)) ?? []) {
            if (link.kind === 'a' && link.target !== null && link.target !== addressOf[source])
                outgoingLinks[source]!++;
        }
    }
    return { incomingLinks, incomingFollowed, incomingPages, outgoingLinks };
}

/** The two edge sets of depth: links that cost a click, redirects and instant refreshes that cost none. */
function depthRows(
    count: number,
    pages: (PageRow | null)[],
    nodeOf: Int32Array,
    edges: LinkEdges,
): { clicks: Rows; free: Rows } {
    const open = (page: PageRow | null): page is PageRow => page !== null && page.robotsAllowed !== false;
    // Closed pages keep their place in the edge numbers, but lead nowhere: their edges become loops.
    const to = edges.to.slice();
    for (let edge = 0; edge < to.length; edge++) {
        const source = edges.from[edge]!;
        if (!open(pages[source] ?? null)) to[edge] = source;
    }
    const freeFrom: number[] = [];
    const freeTo: number[] = [];
    pages.forEach((page, node) => {
        if (!open(page)) return;
        for (const target of [page.redirectTo, page.instantRefresh]) {
            const landed = target === null ? -1 : (nodeOf[target] ?? -1);
            if (landed !== -1 && landed !== node) {
                freeFrom.push(node);
                freeTo.push(landed);
            }
        }
    });
    return { clicks: plainRows(count, edges.from, to), free: plainRows(count, freeFrom, freeTo) };
}
