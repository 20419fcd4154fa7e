/** How evenly weight is spread over pages: Lorenz curve and Gini coefficient. */

export interface Concentration {
    /** 0 when all have the same, near 1 when one has all. */
    gini: number;
    /** Points of the Lorenz curve: the poorest share `pages` of all pages has the share `weight` of all weight. */
    curve: { pages: number; weight: number }[];
}

/**
 * @param weights of the pages looked at, none negative
 * @param points pieces of the curve
 * O(n log n)
 */
export function concentration(weights: Float64Array, points = 100): Concentration {
    const sorted = weights.slice().sort();
    const count = sorted.length;
    let total = 0;
    let ranked = 0;
    for (let at = 0; at < count; at++) {
        total += sorted[at]!;
        ranked += (at + 1) * sorted[at]!;
    }
    if (count === 0 || total === 0) {
        return {
            gini: 0,
            curve: [
                { pages: 0, weight: 0 },
                { pages: 1, weight: 1 },
            ],
        };
    }
    const gini = (2 * ranked) / (count * total) - (count + 1) / count;
    const curve = [{ pages: 0, weight: 0 }];
    let sum = 0;
    let next = 1;
    for (let at = 0; at < count; at++) {
        sum += sorted[at]!;
        if (at + 1 >= (next * count) / points || at === count - 1) {
            curve.push({ pages: (at + 1) / count, weight: sum / total });
            while (next * count <= (at + 1) * points) next++;
        }
    }
    return { gini: Math.max(0, gini), curve };
}
