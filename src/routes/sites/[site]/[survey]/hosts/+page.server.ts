import { once } from '$lib/core/kept.ts';
import { externalHosts } from '$lib/core/areas/external-hosts.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_HOSTS = 1_000;

export const load = lookedAt(async ({ locals }) => {
    const packed = await locals.packed(['core', 'text', 'links']);
    const hosts = once(packed, 'external hosts', [], () => externalHosts(packed));
    return {
        hosts: hosts.slice(0, MOST_HOSTS),
        total: hosts.length,
        links: hosts.reduce((sum, host) => sum + host.links, 0),
        isAsked: locals.survey.settings.externals === 'check',
    };
});
