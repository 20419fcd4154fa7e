import { error } from '@sveltejs/kit';
import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showSource } from '$lib/server/views/source.ts';

export const load = lookedAt(
    async ({ locals, url }) => (await showSource(locals, url)) ?? error(404, 'This survey knows no such page.'),
);
