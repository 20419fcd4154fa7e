import { error, fail, redirect } from '@sveltejs/kit';
import { DEFAULT_ROBOT_WORDS } from '$lib/core/evidence/robot-agents.ts';
import { appStore, findRoute, isEarlier } from '$lib/server/app.ts';
import { addBareCount, addFromSurvey, addTyped, shownImports } from '$lib/server/evidence-actions.ts';
import { listRevisions } from '$lib/server/store/evidence-store.ts';

export async function load({ params, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const revisions = await listRevisions(appStore().db, found.survey.id);
    return {
        isEarlier: isEarlier(found.survey),
        imports: await shownImports(found.survey),
        robotWords: [...DEFAULT_ROBOT_WORDS],
        revisions: revisions.map(({ number, at, why }) => ({ number, at, why })),
    };
}

async function surveyOf(params: { site: string; survey: string }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    return found.survey;
}

export const actions = {
    typed: async ({ request, params }) => {
        const text = String((await request.formData()).get('urls') ?? '');
        const result = await addTyped(await surveyOf(params), text);
        if (!result.ok) return fail(400, { of: 'typed', say: result.say, urls: text });
        redirect(303, '?added');
    },
    survey: async ({ request, params }) => {
        const number = Number((await request.formData()).get('number') ?? NaN);
        const result = await addFromSurvey(await surveyOf(params), number);
        if (!result.ok) return fail(400, { of: 'survey', say: result.say });
        redirect(303, '?added');
    },
    count: async ({ request, params }) => {
        const form = Object.fromEntries(await request.formData());
        const result = await addBareCount(await surveyOf(params), form);
        if (!result.ok) return fail(400, { of: 'count', say: result.say });
        redirect(303, '?added');
    },
};
