import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showPages } from '$lib/server/views/tables.ts';

export const load = lookedAt(({ url, cookies, locals }) => showPages(locals, url, cookies.get));
