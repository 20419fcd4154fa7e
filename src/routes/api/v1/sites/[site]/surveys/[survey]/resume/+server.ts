import { error, json } from '@sveltejs/kit';
import { goOn } from '$lib/server/survey-actions.ts';
import { ResumeRequest } from '$lib/wire/survey-requests.ts';

/** Goes on with a survey that was paused or has ended, with wider limits where they are given. */
export async function POST({ request, locals }) {
    const asked = ResumeRequest.safeParse(await request.json().catch(() => ({})));
    if (!asked.success) error(400, 'Limits are whole numbers: maxPages, maxDepth, maxMinutes.');
    if (!(await goOn(locals.survey, asked.data))) error(409, 'The survey is under way already.');
    return json({ ok: true });
}
