/** Trees that the map draws: pages by the way to them, by what they hang from, or by their addresses. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { FORM, type MapFacts } from './map-facts.ts';

export interface MapTree {
    /** Item above each item, -1 for roots. An item stands behind the one above it. */
    parent: Int32Array;
    /** Page each item is, by its node; -1 for what is none: a folder, a group. */
    node: Int32Array;
    /** What each item weighs by itself; 1 for a page and nothing for what is none where it is left out. */
    weight?: Uint32Array;
    /** Whether a page is not linked from where it lies: its box is marked by a cut. */
    isCut?: (node: number) => boolean;
    /** What it is called where it is drawn. */
    nameOf: (item: number) => string;
    /** What tells it from all others, in any revision: the address of a page or a folder, the name of a group. */
    keyOf: (item: number) => string;
}

/** Pages hang below the page before them on the shortest path, or below the last that all paths to them go through. */
export const HANGINGS = ['way', 'hold'] as const;
export type Hanging = (typeof HANGINGS)[number];

/**
 * Reached pages as a tree: redirects and other URLs on the way are passed over, and so are pages that lead on at once,
 * so that by shortest paths the level of a page is its depth. O(nodes + steps passed over)
 */
export function branchTree(survey: PackedSurvey, facts: MapFacts, by: Hanging): MapTree {
    const above = survey.numbers(by === 'way' ? 'parent' : 'dominator');
    const { form, depth, count } = facts;
    const items: number[] = [];
    for (let node = 0; node < count; node++) if (form[node]! <= FORM.stopped) items.push(node);
    // Those nearer to the start first, so that an item stands behind the one above it.
    items.sort((a, b) => depth[a]! - depth[b]! || a - b);
    const itemOf = new Int32Array(count).fill(-1);
    const parent = new Int32Array(items.length);
    items.forEach((node, item) => {
        let at = above[node]!;
        while (at >= 0 && (itemOf[at] === -1 || depth[at]! >= depth[node]!)) at = above[at]!;
        parent[item] = at < 0 ? -1 : itemOf[at]!;
        itemOf[node] = item;
    });
    return {
        parent,
        node: Int32Array.from(items),
        nameOf: (item) => lastPart(survey.url(items[item]!)),
        keyOf: (item) => survey.url(items[item]!),
    };
}

/** The last part of an address, with its query; of a start page its host. */
export function lastPart(url: string): string {
    const path = url.replace(/^https?:\/\//, '');
    const query = path.indexOf('?');
    if (query !== -1) return path.slice(query);
    const parts = path.split('/').filter(Boolean);
    return `${parts.at(-1) ?? path}${path.endsWith('/') && parts.length > 1 ? '/' : ''}`;
}
