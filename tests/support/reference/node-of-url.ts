import type { MeasuredSurvey } from './measured-survey.ts';

/** Node of a URL; urls are sorted by code unit, so this is a binary search. */
export function nodeOfUrl(survey: MeasuredSurvey, url: string): number | null {
    let low = 0;
    let high = survey.count - 1;
    while (low <= high) {
        const middle = (low + high) >> 1;
        const at = survey.urls[middle]!;
        if (at === url) return middle;
        if (at < url) low = middle + 1;
        else high = middle - 1;
    }
    return null;
}
