import { variantsView } from '$lib/core/views/variants.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => ({
    view: variantsView(await locals.packed(['text', 'links'])),
}));
