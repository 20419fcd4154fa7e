import { error, json } from '@sveltejs/kit';
import { findRoute, isClosed } from '$lib/server/app.ts';
import { stop } from '$lib/server/survey-actions.ts';

/** Stops a survey that runs, waits or is laid aside; what was read is kept. */
export async function POST({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isClosed(found.survey)) error(409, 'The survey has ended already.');
    await stop(found.survey);
    return json({ ok: true });
}
