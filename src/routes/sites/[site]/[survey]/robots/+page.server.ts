import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showRobots } from '$lib/server/views/robots.ts';

export const load = lookedAt(({ locals, url }) => showRobots(locals, url));
