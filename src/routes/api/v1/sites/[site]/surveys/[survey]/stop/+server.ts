import { error, json } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { askToStop } from '$lib/server/store/job-store.ts';

/** Stops a running survey; what was read is kept. */
export async function POST({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    await askToStop(appStore().db, found.survey.id);
    return json({ ok: true });
}
