/** Where a site stands, in a few numbers and a small picture: what the list of sites shows of each. */
import { countPages } from '../areas/count-pages.ts';
import { depthRows, type DepthRow } from '../areas/depth-rows.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Depths that have a bar of their own. */
const SINGLE_DEPTHS = 8;

export interface SiteStanding {
    pages: number;
    reached: number;
    /** Null where the survey cannot tell. */
    orphans: number | null;
    indexable: number;
    /** Pages by depth. */
    depths: DepthRow[];
}

/** Needs `core`, `measures` and `text`. O(nodes), once for each survey. */
export function siteStanding(survey: PackedSurvey): SiteStanding {
    const counts = once(survey, 'page counts', [], () => countPages(survey));
    return {
        pages: counts.pages,
        reached: counts.reached,
        orphans: counts.orphans?.all ?? null,
        indexable: counts.indexable,
        depths: depthRows(counts.depths, SINGLE_DEPTHS),
    };
}
