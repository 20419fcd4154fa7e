/** A URL as the reader of a site knows it. */
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Without scheme and host where they are the start page's. */
export function siteUrl(survey: PackedSurvey, node: number): string {
    const whole = survey.url(node);
    const origin = survey.head.start.replace(/^([a-z]+:\/\/[^/]*).*$/i, '$1');
    return whole.startsWith(`${origin}/`) ? whole.slice(origin.length) : whole;
}
