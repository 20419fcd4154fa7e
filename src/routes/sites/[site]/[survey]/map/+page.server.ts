import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showMap } from '$lib/server/views/map.ts';

export const load = lookedAt(({ locals, url }) => showMap(locals, url));
