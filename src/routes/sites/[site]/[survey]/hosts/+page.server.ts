import { error } from '@sveltejs/kit';
import { once } from '$lib/core/kept.ts';
import { externalHosts } from '$lib/core/areas/external-hosts.ts';
import { findRoute, openPacked } from '$lib/server/app.ts';

const MOST_HOSTS = 1_000;

export async function load({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const packed = await openPacked(found.survey, ['core', 'text', 'links']);
    const hosts = once(packed, 'external hosts', [], () => externalHosts(packed));
    return {
        hosts: hosts.slice(0, MOST_HOSTS),
        total: hosts.length,
        links: hosts.reduce((sum, host) => sum + host.links, 0),
        isAsked: found.survey.settings.externals === 'check',
    };
}
