/** A URL as the reader of a site knows it. */
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Of each survey the origin of its start page: it is asked for at every finding. */
const origins = new WeakMap<PackedSurvey, string>();

function originOf(survey: PackedSurvey): string {
    let origin = origins.get(survey);
    if (origin === undefined) {
        origin = survey.head.start.replace(/^([a-z]+:\/\/[^/]*).*$/i, '$1');
        origins.set(survey, origin);
    }
    return origin;
}

/** Without scheme and host where they are the start page's. */
export function siteUrl(survey: PackedSurvey, node: number): string {
    const whole = survey.url(node);
    const origin = originOf(survey);
    return whole.startsWith(`${origin}/`) ? whole.slice(origin.length) : whole;
}
