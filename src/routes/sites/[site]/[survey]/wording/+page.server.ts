import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showWording } from '$lib/server/views/wording.ts';

export const load = lookedAt(({ locals }) => showWording(locals));
