import { canonicalsView } from '$lib/core/views/canonicals.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => ({ view: canonicalsView(await locals.packed()) }));
