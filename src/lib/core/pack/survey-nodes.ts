/** Which addresses of a survey are its nodes, and what makes each known. */
import { evidenceBit } from '../evidence/evidence.ts';
import { LINK_KINDS } from '../page/links.ts';
import { isReadHtml } from '../survey/page-kind.ts';
import type { PageRow } from '../survey/survey-rows.ts';
import type { RowColumns } from './row-columns.ts';

/** The nodes: known internal URLs, in the order of their code units. */
export interface SurveyNodes {
    count: number;
    urls: string[];
    /** Address number of each node. */
    addressOf: Uint32Array;
    /** Node of an address number; -1 for addresses that are no node. */
    nodeOf: Int32Array;
    /** What was settled of each; null while it waits. */
    pages: (PageRow | null)[];
    /** 1 for pages whose links count: they answered 200 with HTML. */
    isPage: Uint8Array;
    /** Evidence of each, as bits. */
    evidence: Uint16Array;
}

/** O(rows + link occurrences). */
export function nodesOf(rows: RowColumns): SurveyNodes {
    const mask = evidenceMasks(rows);
    const known: number[] = [];
    const internal = rows.internal.values();
    // Something other than themselves speaks of them, or they were asked for.
    for (const id of rows.addresses.values()) {
        if (internal[id] === 1 && (mask[id] !== 0 || rows.pages[id] !== undefined)) known.push(id);
    }
    const urlOf = (id: number): string => rows.urls[id] ?? '';
    known.sort((a, b) => (urlOf(a) < urlOf(b) ? -1 : urlOf(a) > urlOf(b) ? 1 : 0));
    const nodeOf = new Int32Array(rows.urls.length).fill(-1);
    known.forEach((id, node) => (nodeOf[id] = node));
    const pages = known.map((id) => rows.pages[id] ?? null);
    return {
        count: known.length,
        urls: known.map(urlOf),
        addressOf: Uint32Array.from(known),
        nodeOf,
        pages,
        isPage: Uint8Array.from(pages, (page) => (isReadHtml(page) ? 1 : 0)),
        evidence: Uint16Array.from(known, (id) => mask[id]!),
    };
}

/** Node of a URL, or -1. O(log n). */
export function nodeOfUrl({ urls }: Pick<SurveyNodes, 'urls'>, url: string): number {
    let low = 0;
    let high = urls.length - 1;
    while (low <= high) {
        const middle = (low + high) >> 1;
        const at = urls[middle]!;
        if (at === url) return middle;
        if (at < url) low = middle + 1;
        else high = middle - 1;
    }
    return -1;
}

/** Kinds of links that make their target known, as bits by number of the kind. */
const BIT_OF_KIND = Uint16Array.from(LINK_KINDS, (kind) => {
    if (kind === 'a') return evidenceBit('link');
    if (kind === 'canonical' || kind === 'hreflang') return evidenceBit(kind);
    return kind === 'meta-refresh' ? evidenceBit('redirect') : 0;
});

/** Evidence of each address by its number. */
function evidenceMasks(rows: RowColumns): Uint16Array {
    const mask = new Uint16Array(rows.urls.length);
    const internal = rows.internal.values();
    const add = (id: number, bit: number): void => {
        if (internal[id] === 1) mask[id]! |= bit;
    };
    for (const item of rows.evidence) add(item.address, evidenceBit(item.evidence));
    for (const page of rows.pages) {
        if (page && page.redirectTo !== null && page.redirectTo !== page.address) {
            add(page.redirectTo, evidenceBit('redirect'));
        }
    }
    const onPage = rows.onPage.values();
    const block = rows.onPageBlock.values();
    const list = rows.blockList.values();
    const start = rows.listStart.values();
    const target = rows.linkTarget.values();
    const kind = rows.linkKind.values();
    for (let at = 0; at < onPage.length; at++) {
        const page = onPage[at]!;
        // Links on a page with another status than 200 are kept, but speak for nothing.
        if (!isReadHtml(rows.pages[page] ?? null)) continue;
        const own = list[block[at]!]!;
        for (let link = start[own]!; link < start[own + 1]!; link++) {
            const to = target[link]!;
            // What a page says of itself makes nothing known.
            if (to >= 0 && to !== page && internal[to] === 1) mask[to]! |= BIT_OF_KIND[kind[link]!]!;
        }
    }
    return mask;
}
