import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showReach } from '$lib/server/views/reach.ts';

export const load = lookedAt(({ locals, url }) => showReach(locals, url));
