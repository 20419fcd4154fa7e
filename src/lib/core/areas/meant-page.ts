/** Which page a link means, whatever address it is written by. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { firstVariants } from './variants.ts';

/** Where a link ends up: the page its redirect leads to, or that its target accepts as canonical; of variants the first. */
export function meantPage(survey: PackedSurvey): (target: number) => number {
    const [redirect, start, canonical] = [
        survey.numbers('redirect'),
        survey.numbers('canonical_start'),
        survey.numbers('canonical'),
    ];
    const first = firstVariants(survey);
    const end = (address: number): number => (address < survey.count ? first[address]! : address);
    return (target) => {
        if (target >= survey.count) return target;
        const moved = redirect[target]! >= 0 ? redirect[target]! : target;
        if (moved >= survey.count) return moved;
        const named = start[moved + 1]! - start[moved]! === 1 ? canonical[start[moved]!]! : moved;
        return end(named < 0 ? moved : named);
    };
}
