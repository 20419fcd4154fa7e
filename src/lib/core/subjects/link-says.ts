/** Links of running text by how their words stand to what they lead to. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import type { GenericWords } from '../text/generic-words.ts';
import { emptyAnchors } from '../text/link-words.ts';
import { FIT, fitOfLink, type Fit } from './anchor-fit.ts';

/** What can be asked for: `any` for all links of running text, `unknown` for those that could not be judged, for whatever reason. */
export const LINK_SAYS = ['any', 'fits', 'loose', 'off', 'nothing', 'unknown'] as const satisfies readonly (
    'any' | Fit
)[];
export type LinkSays = (typeof LINK_SAYS)[number];

/**
 * 1 for each link of running text to a page that is asked for, by its number. O(links of running text)
 * @param fits of each link, as `fitsOf` has them; null where the words of the survey are not known
 */
export function linksThatSay(
    survey: PackedSurvey,
    says: LinkSays,
    fits: ArrayLike<number> | null,
    generic: GenericWords,
): Uint8Array {
    const { links } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const isEmpty = emptyAnchors(survey, generic);
    const asked = new Uint8Array(anchor.length);
    const isMeant = (fit: number): boolean =>
        says === 'any' || fit === FIT[says] || (says === 'unknown' && fit === FIT.unjudged);
    for (const link of links) if (isMeant(fitOfLink(fits, link, isEmpty[anchor[link]!] === 1))) asked[link] = 1;
    return asked;
}
