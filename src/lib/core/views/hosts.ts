/** What *Other hosts* shows: where links lead away to. */
import { externalHosts } from '../areas/external-hosts.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const MOST_HOSTS = 1_000;

/** Needs `core`, `text` and `links`. @param isAsked targets elsewhere were asked for their status */
export function hostsView(survey: PackedSurvey, isAsked: boolean) {
    const hosts = once(survey, 'external hosts', [], () => externalHosts(survey));
    return {
        hosts: hosts.slice(0, MOST_HOSTS),
        total: hosts.length,
        links: hosts.reduce((sum, { links }) => sum + links, 0),
        isAsked,
    };
}
