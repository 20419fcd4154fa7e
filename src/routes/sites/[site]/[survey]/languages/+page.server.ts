import { languagesView } from '$lib/core/views/languages.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => ({
    view: languagesView(await locals.packed(['text', 'links'])),
}));
