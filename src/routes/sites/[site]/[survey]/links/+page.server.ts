import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showLinks } from '$lib/server/views/tables.ts';

export const load = lookedAt(({ url, cookies, locals }) => showLinks(locals, url, cookies.get));
