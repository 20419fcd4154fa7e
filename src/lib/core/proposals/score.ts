/**
 * What makes one sentence a better place for a link than another: parts between 0 and 1, each of which can be told in
 * words, and one weight for each, the same for all sites. The weights were fitted to links that writers of three
 * documentation sites had set, each left out once (`bench proposals`, `docs/measures.md`).
 */
export const PARTS = ['speaks', 'rare', 'about', 'alike', 'near', 'company', 'high', 'brief'] as const;
export type ScorePart = (typeof PARTS)[number];
export type ScoreParts = Record<ScorePart, number>;

const WEIGHTS: ScoreParts = {
    speaks: 15.8,
    rare: 2,
    about: 3.4,
    alike: 2.4,
    near: 8.2,
    company: 4,
    high: 0.8,
    brief: 0.3,
};
const ALL = PARTS.reduce((sum, part) => sum + WEIGHTS[part], 0);

/** 0 to 1. */
export function scoreOf(parts: ScoreParts): number {
    let sum = 0;
    for (const part of PARTS) sum += WEIGHTS[part] * parts[part];
    return sum / ALL;
}
