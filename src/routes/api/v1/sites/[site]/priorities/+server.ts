import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { listPriorities, setPriority } from '$lib/server/store/set-store.ts';
import { PrioritySaid } from '$lib/wire/sets.ts';

/** What was said of priorities: by page, by set, by column. */
export async function GET({ locals }) {
    const { site } = locals;
    return json(await listPriorities(appStore().db, site.id));
}

/** Sets a priority, or takes it away: `{ by, subject, value }`. */
export async function POST({ request, locals }) {
    const { site } = locals;
    const asked = PrioritySaid.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say by what (page, set or column), of what, and 1, 2, 3 or null.');
    const { by, subject, value } = asked.data;
    await setPriority(appStore().db, site.id, by, subject, by === 'column' && value !== null ? 0 : value);
    return json(await listPriorities(appStore().db, site.id));
}
