/** What changed between a baseline and a survey, as the Brief tells it. */
import { align } from '../compare/align.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { siteMeasures } from './site-measures.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { countPages } from './count-pages.ts';

/** How a number is shown: a whole count, with one or two places, or as a share in per cent. */
export type Shown = 'count' | 'mean' | 'fraction' | 'share';

export interface ChangeRow {
    name: string;
    shown: Shown;
    /** Null where it is not known. */
    before: number | null;
    after: number | null;
    /** The set the second number counts; empty where it is none. */
    set: string;
}

export interface SinceBaseline {
    rows: ChangeRow[];
    /** What became of the orphans of the baseline; null where either survey is partial. */
    orphans: { before: number; reached: number; gone: number; still: number; new: number } | null;
}

/** Needs `core` and `text` of both. O(pages + links). */
export function sinceBaseline(baseline: PackedSurvey, survey: PackedSurvey): SinceBaseline {
    const [before, after] = [countPages(baseline), countPages(survey)];
    const [old, now] = [siteMeasures(baseline), siteMeasures(survey)];
    const row = (
        name: string,
        shown: Shown,
        first: number | null | undefined,
        second: number | null | undefined,
        set = '',
    ): ChangeRow => ({ name, shown, before: first ?? null, after: second ?? null, set });
    return {
        rows: [
            row('pages', 'count', before.pages, after.pages, 'page'),
            row('reached', 'count', before.reached, after.reached, 'page and reached'),
            row('not reached', 'count', before.orphans?.all, after.orphans?.all, 'orphan'),
            row('mean depth', 'mean', before.meanDepth, after.meanDepth),
            row('indexable', 'count', before.indexable, after.indexable, 'indexable'),
            row('errors', 'count', errorsOf(before.byStatus), errorsOf(after.byStatus), 'error'),
            row('Gini of weight', 'fraction', old.weight.all.gini, now.weight.all.gini),
            row('weight that leaks', 'share', old.leak, now.leak, 'leak > 0'),
        ],
        orphans: orphanMoves(baseline, survey),
    };
}

function errorsOf(byStatus: Record<string, number>): number {
    return Object.entries(byStatus).reduce((sum, [status, urls]) => sum + (Number(status) >= 400 ? urls : 0), 0);
}

function orphanMoves(baseline: PackedSurvey, survey: PackedSurvey): SinceBaseline['orphans'] {
    if (!baseline.head.complete || !survey.head.complete) return null;
    const isOrphan = (kind: number): boolean => kind === ORPHAN.strict || kind === ORPHAN.adrift;
    const [old, now] = [baseline.numbers('orphan'), survey.numbers('orphan')];
    const isPage = survey.numbers('page');
    const moves = { before: 0, reached: 0, gone: 0, still: 0, new: 0 };
    const known = new Set<number>();
    const sameNode = align(baseline, survey);
    for (let node = 0; node < baseline.count; node++) {
        if (!isOrphan(old[node]!)) continue;
        moves.before++;
        const same = sameNode[node]!;
        if (same === -1 || isPage[same] !== 1) moves.gone++;
        else if (isOrphan(now[same]!)) {
            moves.still++;
            known.add(same);
        } else moves.reached++;
    }
    for (let node = 0; node < survey.count; node++) if (isOrphan(now[node]!) && !known.has(node)) moves.new++;
    return moves;
}
