import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showCompleteness } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals }) => showCompleteness(locals));
