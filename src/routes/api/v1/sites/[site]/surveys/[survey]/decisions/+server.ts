import { error, json } from '@sveltejs/kit';
import { isSignedIn } from '$lib/core/survey/settings.ts';
import { decide } from '$lib/server/survey-actions.ts';
import { DecisionRequest } from '$lib/wire/survey-requests.ts';

/** Opens or closes a family of URLs or an action by hand; the survey goes on with it. */
export async function POST({ request, locals }) {
    const asked = DecisionRequest.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say which family or action, and whether it is open or closed.');
    if (asked.data.kind === 'action' && isSignedIn(locals.survey.settings)) {
        error(409, 'Actions stay closed while signed in: asking for one would act in your name.');
    }
    if (!(await decide(locals.survey, asked.data))) error(409, 'The survey could not be laid aside; try again.');
    return json({ ok: true });
}
