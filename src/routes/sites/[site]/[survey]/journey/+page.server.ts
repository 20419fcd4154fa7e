import { error } from '@sveltejs/kit';
import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showJourney } from '$lib/server/views/journey.ts';

export const load = lookedAt(
    async ({ locals, url }) =>
        (await showJourney(locals, url)) ?? error(404, 'This survey knows no page yet: there is nowhere to begin.'),
);
