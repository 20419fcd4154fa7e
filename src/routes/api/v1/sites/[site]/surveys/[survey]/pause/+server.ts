import { error, json } from '@sveltejs/kit';
import { findRoute, isClosed } from '$lib/server/app.ts';
import { layAside } from '$lib/server/survey-actions.ts';

/** Lays a running or waiting survey aside; nothing is closed, and it can be gone on with. */
export async function POST({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isClosed(found.survey)) error(409, 'The survey has ended already.');
    await layAside(found.survey);
    return json({ ok: true });
}
