/** What the Brief shows: where a survey stands in one sheet, what to mend first, and what changed since the baseline. */
import { countPages, type PageCounts } from '../areas/count-pages.ts';
import { depthRows, sameRows, type DepthRow } from '../areas/depth-rows.ts';
import { sinceBaseline, type SinceBaseline } from '../areas/since-baseline.ts';
import { siteMeasures } from '../areas/site-measures.ts';
import type { CheckView, Severity } from '../checks/check.ts';
import { causesOf, type ToldCause } from '../checks/causes.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import { misfits } from '../sets/misfits.ts';
import { causeWords, followsWords } from '../words/causes.ts';

const MOST_JOBS = 10;
/** Depths that have a row of their own. */
const SINGLE_DEPTHS = 10;

export interface ToldJob {
    severity: Severity;
    say: string;
    where: string;
    effect: string;
    /** Null for lines of files. */
    set: string | null;
    pages: number;
}

export interface BriefView {
    /** Over all known URLs; depths apart, as rows. */
    counts: Omit<PageCounts, 'depths'>;
    depths: DepthRow[];
    /** The same of the current set; null for all pages. */
    inSet: Omit<PageCounts, 'depths'> | null;
    depthsInSet: DepthRow[] | null;
    /** Some sitemap could be read, so what no link reaches could be looked for. */
    hasSitemap: boolean;
    weight: {
        ranked: number;
        gini: number;
        leak: number;
        /** Null where nothing says yet what matters. */
        starved: number | null;
    };
    /** What to mend first; null while the survey runs: everything changes under the reader. */
    jobs: { told: ToldJob[]; more: number } | null;
    since: SinceBaseline | null;
}

export interface BriefRequest {
    checks: CheckView;
    priority: Uint8Array;
    within: Bits | null;
    isEnded: boolean;
    /** The survey it is compared with, and what tells it from others. */
    baseline: { survey: PackedSurvey; id: number; revision: number } | null;
}

/** Needs all parts. O(links) once for each survey, then O(nodes). */
export function briefView({ checks, priority, within, isEnded, baseline }: BriefRequest): BriefView {
    const { survey } = checks;
    const { depths: bands, ...counts } = once(survey, 'page counts', [], () => countPages(survey));
    const depths = depthRows(bands, SINGLE_DEPTHS);
    const measures = siteMeasures(survey);
    const ofSet = within ? countPages(survey, within) : null;
    const hasPriorities = priority.some((value) => value > 0);
    return {
        counts,
        depths,
        inSet: ofSet && withoutDepths(ofSet),
        depthsInSet: ofSet && sameRows(ofSet.depths, depths),
        hasSitemap: survey.head.hasSitemap,
        weight: {
            ranked: measures.ranked,
            gini: measures.weight.all.gini,
            leak: measures.leak,
            starved: hasPriorities ? misfits(survey, priority).starved.length : null,
        },
        jobs: isEnded ? toldJobs(causesOf(checks).open) : null,
        since:
            baseline &&
            once(survey, 'since', [baseline.id, baseline.revision], () => sinceBaseline(baseline.survey, survey)),
    };
}

function withoutDepths({ depths: _, ...counts }: PageCounts): Omit<PageCounts, 'depths'> {
    return counts;
}

function toldJobs(causes: readonly ToldCause[]): { told: ToldJob[]; more: number } {
    const told = causes.slice(0, MOST_JOBS).map(({ severity, cause, urls, only, follows }): ToldJob => {
        const [first] = follows;
        const { pages, set, check } = first!;
        return { severity, set, pages, ...causeWords(cause, { urls, only }), effect: followsWords(check, pages) };
    });
    return { told, more: Math.max(causes.length - MOST_JOBS, 0) };
}
