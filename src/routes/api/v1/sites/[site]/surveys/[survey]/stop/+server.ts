import { error, json } from '@sveltejs/kit';
import { isClosed } from '$lib/server/app.ts';
import { stop } from '$lib/server/survey-actions.ts';

/** Stops a survey that runs, waits or is laid aside; what was read is kept. */
export async function POST({ locals }) {
    if (isClosed(locals.survey)) error(409, 'The survey has ended already.');
    await stop(locals.survey);
    return json({ ok: true });
}
