import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showSpent } from '$lib/server/views/spent.ts';

export const load = lookedAt(({ locals }) => showSpent(locals));
