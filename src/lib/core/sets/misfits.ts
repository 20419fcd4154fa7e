/**
 * Misfits (`docs/measures.md`): pages whose standing is out of line with their priority. No thresholds: each page is
 * compared with the pages it should stand above, or below.
 */
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface Misfits {
    /** Pages with a priority, where more than half of the ranked pages that matter less stand higher. */
    starved: number[];
    /** Pages of priority 3 or none that stand higher than more than half of the pages of priority 1. */
    overfed: number[];
}

/** Value in the middle; NaN for none. */
function median(values: number[]): number {
    if (values.length === 0) return NaN;
    const sorted = Float64Array.from(values).sort();
    const middle = sorted.length >> 1;
    return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** @param priority 1 to 3, 0 for none; start pages are never overfed: all links lead there. O(n log n) */
export function misfits(survey: PackedSurvey, priority: Uint8Array): Misfits {
    const standing = survey.numbers('standing');
    const starts = new Set(survey.head.starts);
    /** Standings of ranked pages that matter less than each priority; the highest of all mattering pages. */
    const below: number[][] = [[], [], [], []];
    const first: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        const value = standing[node]!;
        if (Number.isNaN(value)) continue;
        const own = priority[node]!;
        if (own === 1) first.push(value);
        for (let level = 1; level <= 3; level++) if (own === 0 || own > level) below[level]!.push(value);
    }
    const middles = below.map(median);
    const middleOfFirst = median(first);
    const found: Misfits = { starved: [], overfed: [] };
    for (let node = 0; node < survey.count; node++) {
        const value = standing[node]!;
        if (Number.isNaN(value)) continue;
        const own = priority[node]!;
        if (own > 0 && value < middles[own]!) found.starved.push(node);
        if ((own === 0 || own === 3) && value > middleOfFirst && !starts.has(node)) found.overfed.push(node);
    }
    return found;
}
