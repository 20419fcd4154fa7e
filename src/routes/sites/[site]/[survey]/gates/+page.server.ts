import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showGates } from '$lib/server/views/gates.ts';

export const load = lookedAt(({ locals, url }) => showGates(locals, url));
