import { error, json } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { askToPause } from '$lib/server/store/job-store.ts';

/** Lays a running survey aside; nothing is closed, and it can be gone on with. */
export async function POST({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    await askToPause(appStore().db, found.survey.id);
    return json({ ok: true });
}
