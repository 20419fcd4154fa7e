import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showHosts } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals }) => showHosts(locals));
