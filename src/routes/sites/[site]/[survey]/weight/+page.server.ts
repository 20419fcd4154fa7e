import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showWeight } from '$lib/server/views/weight.ts';

export const load = lookedAt(({ locals, url }) => showWeight(locals, url));
