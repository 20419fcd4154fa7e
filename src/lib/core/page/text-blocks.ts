/** Which block of links a piece of text belongs to. */
import type { ContainerFinder } from './blocks.ts';
import type { LeanElement } from './lean-tree.ts';

/** Text of headers, menus and footers: no text of the page itself. */
export const OUTSIDE = -2;

/**
 * Tells for an element which block its text belongs to: the outermost list, run or aside that holds links; `OUTSIDE` for
 * headers, menus and footers; null where it says nothing.
 * @param keys those of the blocks of `a` links, in the order of the page
 */
export function textPlaces(finder: ContainerFinder, keys: Iterable<unknown>): (element: LeanElement) => number | null {
    const ordinals = new Map<unknown, number>();
    for (const key of keys) ordinals.set(key, ordinals.size);
    return (element) => {
        const region = finder.regionAt(element);
        if (region === 'header' || region === 'nav' || region === 'footer') return OUTSIDE;
        // Links that stand in the running text have the whole main as their container: its text is no menu.
        if (region === 'main') return null;
        for (const key of finder.keysAt(element)) {
            const ordinal = ordinals.get(key);
            if (ordinal !== undefined) return ordinal;
        }
        return null;
    };
}
