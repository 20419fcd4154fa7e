import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showProgress } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals }) => showProgress(locals));
