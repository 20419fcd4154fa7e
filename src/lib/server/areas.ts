/** What Brief, Reach and Weight are given: counts of the whole and of the current set, measures, jobs, the baseline. */
import { countPages, type PageCounts } from '../core/areas/count-pages.ts';
import type { PackedSurvey, Part } from '../core/packed/packed-survey.ts';
import type { Bits } from '../core/sets/bits.ts';
import { once } from '../core/once.ts';
import { evaluateLine, type CurrentSet } from './current-set.ts';
import type { Survey } from './store/survey-store.ts';

export interface Area {
    current: CurrentSet;
    packed: PackedSurvey;
    /** Counts over all known URLs. */
    counts: PageCounts;
    /** The current set, where it is not all of them. */
    within: Bits | null;
}

/** Opens a survey for an area, with the set of the address. */
export async function openArea(survey: Survey, url: URL, parts: readonly Part[] = []): Promise<Area> {
    const text = url.searchParams.get('set') ?? '';
    const current = await evaluateLine(survey, text, parts);
    const packed = current.survey;
    return {
        current,
        packed,
        counts: once(packed, 'page counts', () => countPages(packed)),
        within: text.trim() === '' || current.trouble !== null ? null : current.bits,
    };
}
