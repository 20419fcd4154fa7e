/**
 * Pages that links do not lead to, by kind (`measures.md`, "Depth and reach"): strict, adrift, in an island; and beside
 * them the pages that hang by a thread: only listings lead there, or only nofollow links do.
 */
import { pathOf } from '../address/address.ts';
import { depths, UNREACHED } from '../graph/depth.ts';
import { compressRows } from '../graph/rows.ts';
import { isReadHtml, ORPHAN, type MeasuredSurvey } from '../survey/measured-survey.ts';

export interface OrphanKinds {
    strict: number[];
    /** All links to them come from pages without a depth. */
    adrift: number[];
    /** Groups of two or more orphans that links hold together, largest first. */
    islands: number[][];
    /** Every link to them stands on a paginated list or in an archive; they are reached. */
    listingOnly: number[];
    /** Reached by links, and not by followed ones. */
    declineOnly: number[];
}

const LISTING_PATH =
    /\/(?:page|seite|pagina|p)[/-]?\d+\/?$|\/(?:archive|archives|tag|tags|category|label)\/|\/\d{4}\/(?:\d{1,2}\/?)?$/i;
const LISTING_QUERY = /(?:^|&)(?:page|p|paged|start|offset|from|seite)=\d+(?:&|$)/i;

/** True for a page of a paginated list or an archive, as its URL says: `/page/3`, `?page=3`, `/tag/…`, `/2026/03/`. */
export function isListing(url: string): boolean {
    const [path = '', query = ''] = pathOf(url).split('?', 2);
    return LISTING_PATH.test(path) || LISTING_QUERY.test(query);
}

/** Kinds of orphans; all empty in a partial survey, where they are not known. O(nodes + links). */
export function orphanKinds(survey: MeasuredSurvey): OrphanKinds {
    const kinds: OrphanKinds = { strict: [], adrift: [], islands: [], listingOnly: [], declineOnly: [] };
    if (!survey.complete) return kinds;
    for (let node = 0; node < survey.count; node++) {
        if (survey.orphan[node] === ORPHAN.strict) kinds.strict.push(node);
        else if (survey.orphan[node] === ORPHAN.adrift) kinds.adrift.push(node);
    }
    kinds.islands = islandsOf(survey);
    const declined = followedDepths(survey);
    for (let node = 0; node < survey.count; node++) {
        if (!isReadHtml(survey.pages[node] ?? null) || survey.depths.depth[node] === UNREACHED) continue;
        if (declined[node] === UNREACHED) kinds.declineOnly.push(node);
        if (isLedToByListingsOnly(survey, node)) kinds.listingOnly.push(node);
    }
    return kinds;
}

function isLedToByListingsOnly(survey: MeasuredSurvey, node: number): boolean {
    const { start, targets } = survey.incoming;
    const from = start[node]!;
    const to = start[node + 1]!;
    if (from === to || isListing(survey.urls[node]!)) return false;
    for (let at = from; at < to; at++) if (!isListing(survey.urls[targets[at]!]!)) return false;
    return true;
}

/** Depths along followed links alone. */
function followedDepths(survey: MeasuredSurvey): Int32Array {
    const { edges, pages, nodeOf } = survey;
    const from: number[] = [];
    const to: number[] = [];
    const isOpen = (node: number): boolean => pages[node]?.robotsAllowed !== false;
    for (let edge = 0; edge < edges.from.length; edge++) {
        if (edges.followed[edge] === 0 || !isOpen(edges.from[edge]!)) continue;
        from.push(edges.from[edge]!);
        to.push(edges.to[edge]!);
    }
    const freeFrom: number[] = [];
    const freeTo: number[] = [];
    pages.forEach((page, node) => {
        if (!page || !isOpen(node)) return;
        for (const target of [page.redirectTo, page.instantRefresh]) {
            const landed = target === null ? -1 : (nodeOf[target] ?? -1);
            if (landed === -1 || landed === node) continue;
            freeFrom.push(node);
            freeTo.push(landed);
        }
    });
    const starts: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        // A page that a redirect of the start page leads to has depth 0 too, and is reached by that redirect again.
        if (survey.depths.depth[node] === 0 && survey.depths.parent[node] === -1) starts.push(node);
    }
    const found = depths(compressRows(survey.count, from, to), compressRows(survey.count, freeFrom, freeTo), starts);
    return found.depth;
}

/** Weak components of two or more orphans, by union-find with path halving. */
function islandsOf(survey: MeasuredSurvey): number[][] {
    const isOrphan = (node: number): boolean =>
        survey.orphan[node] === ORPHAN.strict || survey.orphan[node] === ORPHAN.adrift;
    const parent = Int32Array.from({ length: survey.count }, (_, node) => node);
    const rootOf = (node: number): number => {
        let at = node;
        while (parent[at] !== at) {
            parent[at] = parent[parent[at]!]!;
            at = parent[at]!;
        }
        return at;
    };
    const { from, to } = survey.edges;
    for (let edge = 0; edge < from.length; edge++) {
        const [a, b] = [from[edge]!, to[edge]!];
        if (isOrphan(a) && isOrphan(b)) parent[rootOf(a)] = rootOf(b);
    }
    const groups = new Map<number, number[]>();
    for (let node = 0; node < survey.count; node++) {
        if (!isOrphan(node)) continue;
        const root = rootOf(node);
        const group = groups.get(root);
        if (group) group.push(node);
        else groups.set(root, [node]);
    }
    return [...groups.values()]
        .filter((group) => group.length > 1)
        .sort((a, b) => b.length - a.length || a[0]! - b[0]!);
}
