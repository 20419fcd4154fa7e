import { fail, redirect } from '@sveltejs/kit';
import { addBareCount, addFromSurvey, addTyped } from '$lib/server/evidence-actions.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showEvidence } from '$lib/server/views/survey-parts.ts';

export const load = lookedAt(({ locals }) => showEvidence(locals));

export const actions = {
    typed: async ({ request, locals }) => {
        const text = String((await request.formData()).get('urls') ?? '');
        const result = await addTyped(locals.survey, text);
        if (!result.ok) return fail(400, { of: 'typed', say: result.say, urls: text });
        redirect(303, '?added');
    },
    survey: async ({ request, locals }) => {
        const number = Number((await request.formData()).get('number') ?? NaN);
        const result = await addFromSurvey(locals.survey, number);
        if (!result.ok) return fail(400, { of: 'survey', say: result.say });
        redirect(303, '?added');
    },
    count: async ({ request, locals }) => {
        const form = Object.fromEntries(await request.formData());
        const result = await addBareCount(locals.survey, form);
        if (!result.ok) return fail(400, { of: 'count', say: result.say });
        redirect(303, '?added');
    },
};
