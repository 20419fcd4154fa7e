import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showCauses } from '$lib/server/views/causes.ts';

export const load = lookedAt(({ locals }) => showCauses(locals));
