import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showTemplates } from '$lib/server/views/reach-parts.ts';

export const load = lookedAt(({ locals, url }) => showTemplates(locals, url));
