import { showSameWords } from '$lib/server/views/anchors.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(({ locals, url }) => showSameWords(locals, url));
