/** The graph that depth is measured in: links cost a click, redirects and refreshes without delay cost none. */
import { distinctLinks, reversed, type Links } from '../graph/distinct.ts';
import { compressRows } from '../graph/rows.ts';
import type { GraphModel } from './graph-model.ts';
import { pageLinks } from './page-links.ts';
import { perModel } from './per-model.ts';

/** HTTP redirects and instant refreshes, which cost no click. */
export function freeLinks({ count, redirect, refresh, isClosed }: GraphModel): Links {
    const from: number[] = [];
    const to: number[] = [];
    for (let node = 0; node < count; node++) {
        if (isClosed[node] === 1) continue;
        for (const target of [redirect[node]!, refresh[node]!]) {
            if (target < 0 || target >= count || target === node) continue;
            from.push(node);
            to.push(target);
        }
    }
    const { start, targets } = compressRows(count, from, to);
    return { nodes: count, start, targets };
}

export interface DepthGraph {
    clicks: Links;
    free: Links;
}

const graphOf = (model: GraphModel, followed: boolean): DepthGraph => ({
    clicks: pageLinks(model, { followed, from: (node) => model.isClosed[node] === 0 }),
    free: freeLinks(model),
});

/** The graph of depth: clicks from pages that are open to us, and beside them what costs none. */
export const depthGraph = perModel((model) => graphOf(model, false));

/** The same by followed links alone. */
export const followedGraph = perModel((model) => graphOf(model, true));

export interface WayGraph {
    out: Links;
    into: Links;
}

/** Both kinds of edges of the graph of depth as one: for dominators and components, redirects are nodes like others. */
export const wayGraph = perModel((model): WayGraph => {
    const { clicks, free } = depthGraph(model);
    let out = clicks;
    if (free.targets.length > 0) {
        const start = new Uint32Array(model.count + 1);
        const targets = new Uint32Array(clicks.targets.length + free.targets.length);
        let length = 0;
        for (let node = 0; node < model.count; node++) {
            for (const { start: starts, targets: own } of [clicks, free]) {
                for (let slot = starts[node]!; slot < starts[node + 1]!; slot++) targets[length++] = own[slot]!;
            }
            start[node + 1] = length;
        }
        out = distinctLinks(model.count, start, targets);
    }
    return { out, into: reversed(out) };
});
