import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showChecks } from '$lib/server/views/checks.ts';

export const load = lookedAt(({ locals }) => showChecks(locals));
