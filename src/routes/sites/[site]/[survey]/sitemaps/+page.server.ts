import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showSitemaps } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals }) => showSitemaps(locals));
