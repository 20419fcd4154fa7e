import { once } from '$lib/core/kept.ts';
import { externalHosts } from '$lib/core/areas/external-hosts.ts';

const MOST_HOSTS = 1_000;

export async function load({ locals }) {
    const packed = await locals.packed(['core', 'text', 'links']);
    const hosts = once(packed, 'external hosts', [], () => externalHosts(packed));
    return {
        hosts: hosts.slice(0, MOST_HOSTS),
        total: hosts.length,
        links: hosts.reduce((sum, host) => sum + host.links, 0),
        isAsked: locals.survey.settings.externals === 'check',
    };
}
