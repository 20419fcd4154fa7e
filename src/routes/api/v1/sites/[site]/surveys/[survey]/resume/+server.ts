import { error, json } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { goOn } from '$lib/server/survey-actions.ts';
import { ResumeRequest } from '$lib/wire/survey-requests.ts';

/** Goes on with a survey that was paused or has ended, with wider limits where they are given. */
export async function POST({ params, request }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const asked = ResumeRequest.safeParse(await request.json().catch(() => ({})));
    if (!asked.success) error(400, 'Limits are whole numbers: maxPages, maxDepth, maxMinutes.');
    if (!(await goOn(found.survey, asked.data))) error(409, 'The survey is under way already.');
    return json({ ok: true });
}
