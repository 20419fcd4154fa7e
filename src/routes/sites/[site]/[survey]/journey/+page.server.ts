import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showJourney } from '$lib/server/views/journey.ts';

export const load = lookedAt(({ locals, url }) => showJourney(locals, url));
