import { fail, redirect } from '@sveltejs/kit';
import { DEFAULT_ROBOT_WORDS } from '$lib/core/evidence/robot-agents.ts';
import { appStore, isEarlier } from '$lib/server/app.ts';
import { addBareCount, addFromSurvey, addTyped, shownImports } from '$lib/server/evidence-actions.ts';
import { listRevisions } from '$lib/server/store/evidence-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => {
    const revisions = await listRevisions(appStore().db, locals.survey.id);
    return {
        isEarlier: isEarlier(locals.survey),
        imports: await shownImports(locals.survey),
        robotWords: [...DEFAULT_ROBOT_WORDS],
        revisions: revisions.map(({ number, at, why }) => ({ number, at, why })),
    };
});

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
