import { error } from '@sveltejs/kit';
import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showAround } from '$lib/server/views/around.ts';

export const load = lookedAt(
    async ({ locals, url }) =>
        (await showAround(locals, url)) ?? error(404, 'This survey knows no page yet: there is nowhere to begin.'),
);
