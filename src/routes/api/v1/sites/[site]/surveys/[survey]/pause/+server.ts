import { error, json } from '@sveltejs/kit';
import { isClosed } from '$lib/server/app.ts';
import { layAside } from '$lib/server/survey-actions.ts';

/** Lays a running or waiting survey aside; nothing is closed, and it can be gone on with. */
export async function POST({ locals }) {
    if (isClosed(locals.survey)) error(409, 'The survey has ended already.');
    await layAside(locals.survey);
    return json({ ok: true });
}
