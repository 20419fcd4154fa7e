/** Where most pages lie: as few depths side by side as hold half of them. */

export interface FullDepths {
    from: number;
    to: number;
    pages: number;
}

/**
 * Of several the fullest, then the first. O(depths)
 * @param depths pages at each depth, from the start page on
 * @param all their sum
 * @returns null where there is no page
 */
export function fullestDepths(depths: readonly number[], all: number): FullDepths | null {
    let best: FullDepths | null = null;
    let [from, pages] = [0, 0];
    for (let to = 0; to < depths.length; to++) {
        pages += depths[to]!;
        while (from < to && (pages - depths[from]!) * 2 >= all) pages -= depths[from++]!;
        if (all === 0 || pages * 2 < all) continue;
        const wider = best === null ? -1 : to - from - (best.to - best.from);
        if (wider < 0 || (wider === 0 && pages > best!.pages)) best = { from, to, pages };
    }
    return best;
}
