import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showOrphans } from '$lib/server/views/reach-parts.ts';

export const load = lookedAt(({ locals, url }) => showOrphans(locals, url));
