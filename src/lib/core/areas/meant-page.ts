/** Which page a link means, whatever address it is written by. */
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { firstVariants, winningVariants } from './variants.ts';

/** Of addresses that differ only by how they are written, the one that stands for them: the page that is meant, else the first page. */
function standing(survey: PackedSurvey): Int32Array {
    return once(survey, 'meant variants', [], () => {
        const first = firstVariants(survey);
        const winners = winningVariants(survey);
        const isPage = survey.numbers('page');
        const stands = new Int32Array(survey.count).fill(-1);
        first.forEach((group, node) => {
            if (isPage[node] === 1 && stands[group] === -1) stands[group] = winners.get(node) ?? node;
        });
        return first.map((group) => (stands[group] === -1 ? group : stands[group]!));
    });
}

/**
 * Where a link ends up: the page its redirect leads to, or that its target accepts as canonical; of variants the one that
 * is meant.
 */
export function meantPage(survey: PackedSurvey): (target: number) => number {
    const [redirect, start, canonical] = [
        survey.numbers('redirect'),
        survey.numbers('canonical_start'),
        survey.numbers('canonical'),
    ];
    const stands = standing(survey);
    const end = (address: number): number => (address < survey.count ? stands[address]! : address);
    return (target) => {
        if (target >= survey.count) return target;
        const moved = redirect[target]! >= 0 ? redirect[target]! : target;
        if (moved >= survey.count) return moved;
        const named = start[moved + 1]! - start[moved]! === 1 ? canonical[start[moved]!]! : moved;
        return end(named < 0 ? moved : named);
    };
}
