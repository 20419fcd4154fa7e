import { error } from '@sveltejs/kit';
import { externalHosts } from '$lib/core/survey/external-hosts.ts';
import { findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';

const MOST_HOSTS = 1_000;

export async function load({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const { measured } = await openSurvey(found.survey);
    const hosts = externalHosts(measured);
    return {
        hosts: hosts.slice(0, MOST_HOSTS),
        total: hosts.length,
        links: hosts.reduce((sum, host) => sum + host.links, 0),
        isAsked: found.survey.settings.externals === 'check',
    };
}
