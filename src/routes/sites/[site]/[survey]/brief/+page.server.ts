import { showBrief } from '$lib/server/views/brief.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(({ locals }) => showBrief(locals));
