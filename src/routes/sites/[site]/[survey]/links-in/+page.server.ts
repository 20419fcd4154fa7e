import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showLinksIn } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals, url }) => showLinksIn(locals, url));
