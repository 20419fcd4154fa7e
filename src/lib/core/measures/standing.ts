/** Standing and leak (`docs/measures.md`, "Weight"): internal PageRank over pages that may be read, by followed links. */
import { distinctLinks, reversed, type Links } from '../graph/distinct.ts';
import { degrees, pageRank } from '../graph/page-rank.ts';
import type { GraphModel } from '../model/graph-model.ts';
import { landings } from '../model/landings.ts';
import { pageLinks } from '../model/page-links.ts';
import { perModel } from '../model/per-model.ts';
import { eachEnds } from './link-ends.ts';
import { linkCounts } from './link-counts.ts';

export interface RankedGraph {
    /** Node of each ranked page, ascending. */
    nodes: Uint32Array;
    /** Distinct followed links after landing, over numbers of ranked pages. */
    out: Links;
}

/** The pages that are ranked: answered 200 with HTML and not closed by robots; and their links. */
export function rankedGraph(model: GraphModel, ownOnly?: Uint32Array): RankedGraph {
    const numberOf = new Int32Array(model.count).fill(-1);
    const nodes: number[] = [];
    for (let node = 0; node < model.count; node++) {
        if (model.isPage[node] !== 1 || model.isClosed[node] === 1) continue;
        numberOf[node] = nodes.length;
        nodes.push(node);
    }
    const all = pageLinks(model, {
        followed: true,
        ownOnly,
        landing: landings(model).map((end) => (end !== -1 && numberOf[end] !== -1 ? end : -1)),
        from: (node) => numberOf[node] !== -1,
    });
    const start = new Uint32Array(nodes.length + 1);
    const targets = new Uint32Array(all.targets.length);
    let length = 0;
    nodes.forEach((node, number) => {
        for (let slot = all.start[node]!; slot < all.start[node + 1]!; slot++) {
            targets[length++] = numberOf[all.targets[slot]!]!;
        }
        start[number + 1] = length;
    });
    return { nodes: Uint32Array.from(nodes), out: distinctLinks(nodes.length, start, targets.slice(0, length)) };
}

/** PageRank times the number of ranked pages: 1 is the average; NaN for URLs that are not ranked. */
function standingIn({ nodes, out }: RankedGraph, count: number): Float64Array {
    const { rank } = pageRank(reversed(out), degrees(out));
    const standing = new Float64Array(count).fill(NaN);
    nodes.forEach((node, number) => (standing[node] = rank[number]! * nodes.length));
    return standing;
}

/** O(sweeps x (pages + links)). */
export const standing = perModel((model) => standingIn(rankedGraph(model), model.count));

/** Standing without the links of shared blocks: what the text gives, without the menus. */
export function ownStanding(model: GraphModel): Float64Array {
    return standingIn(rankedGraph(model, linkCounts(model).blockPages), model.count);
}

/**
 * Standing times the share of the page's followed distinct internal targets, after landing, that are errors or closed;
 * NaN for URLs that are not ranked. O(link occurrences).
 */
export const leak = perModel((model): Float64Array => {
    const lost = standing(model).slice();
    const share = new Float64Array(model.count);
    eachEnds(model, (node, ends) => {
        let gone = 0;
        for (const end of ends) gone += model.isLost[end]!;
        share[node] = ends.length === 0 ? 0 : gone / ends.length;
    });
    for (let node = 0; node < model.count; node++) lost[node]! *= share[node]!;
    return lost;
});

/** Leak of all pages as a share of all standing, 0 to 1. */
export function siteLeak(model: GraphModel): number {
    let leaked = 0;
    let ranked = 0;
    for (const own of leak(model)) {
        if (Number.isNaN(own)) continue;
        leaked += own;
        ranked++;
    }
    return ranked === 0 ? 0 : leaked / ranked;
}
