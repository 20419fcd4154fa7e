/** What Brief, Reach and Weight are given: counts of the whole and of the current set, measures, jobs, the baseline. */
import { countPages, type PageCounts } from '../core/areas/count-pages.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { Part } from '../core/columns/column.ts';
import type { Bits } from '../core/sets/bits.ts';
import { once } from '../core/kept.ts';
import { sectionOrder } from '../core/areas/section-order.ts';
import { appStore, openPacked, surveysOf } from './app.ts';
import type { CurrentSet } from './current-set.ts';
import type { RequestContext } from './request-context.ts';
import type { Survey } from './store/survey-store.ts';

export interface Area {
    current: CurrentSet;
    packed: PackedSurvey;
    /** Counts over all known URLs. */
    counts: PageCounts;
    /** The current set, where it is not all of them. */
    within: Bits | null;
}

/**
 * Sections in the order of their size at the site's first whole survey, then as they came: what gives each its hue and
 * letter, so that it keeps both from survey to survey.
 */
export async function sectionsOf(survey: Survey, packed: PackedSurvey): Promise<string[]> {
    const first = (await surveysOf(appStore().db, survey.siteId))
        .filter(({ settings, state }) => settings.spot === null && state === 'finished')
        .sort((a, b) => a.number - b.number)[0];
    const before = first && first.number < survey.number ? await openPacked(first, ['core']) : packed;
    return sectionOrder(before, packed);
}

/** Opens a survey for an area, with the set of the address. */
export async function openArea(request: Pick<RequestContext, 'set'>, parts: readonly Part[] = []): Promise<Area> {
    const current = await request.set(parts);
    const { text } = current;
    const packed = current.survey;
    return {
        current,
        packed,
        counts: once(packed, 'page counts', [], () => countPages(packed)),
        within: text.trim() === '' || current.trouble !== null ? null : current.bits,
    };
}
