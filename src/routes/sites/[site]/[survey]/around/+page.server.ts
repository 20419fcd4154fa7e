import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showAround } from '$lib/server/views/around.ts';

export const load = lookedAt(({ locals, url }) => showAround(locals, url));
