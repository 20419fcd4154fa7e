/** The intended structure as a tree of the map: every page that is meant, whether it is there or not. */
import { againstIntended, type IntendedPage } from '../compare/intended.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { lastPart, type MapTree } from './map-tree.ts';

/** Needs `core`, `text` and the measures. O(pages + links of the parents) */
export function intendedTree(survey: PackedSurvey, pages: readonly IntendedPage[]): MapTree {
    const against = againstIntended(survey, pages);
    // A list may name a page before the one it lies below: an item stands behind that.
    const order = against.map((_, index) => index).sort((a, b) => against[a]!.level - against[b]!.level || a - b);
    const itemOf = new Int32Array(pages.length);
    order.forEach((index, item) => (itemOf[index] = item));
    const taken = new Set<number>();
    const node = Int32Array.from(order, (index) => {
        const own = against[index]!.node;
        if (own === null || taken.has(own)) return -1;
        taken.add(own);
        return own;
    });
    const parted = new Set(
        against.flatMap(({ parting, node: own }) =>
            parting === 'not linked from its parent' && own !== null ? [own] : [],
        ),
    );
    const nameOf = (item: number): string => {
        const { label, parting } = against[order[item]!]!;
        // A path alone is told as the address of a page is, by its last part.
        const name = /^\/./.test(label) ? lastPart(`http://host${label}`) : label;
        return parting === 'several' ? `${name}: several pages` : name;
    };
    return {
        parent: Int32Array.from(order, (index) => {
            const above = against[index]!.parent;
            return above === null ? -1 : itemOf[above]!;
        }),
        node,
        weight: new Uint32Array(order.length).fill(1),
        isCut: (own) => parted.has(own),
        nameOf,
        keyOf: (item) => against[order[item]!]!.label,
    };
}
