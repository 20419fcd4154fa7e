import { error, json } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { deleteSurveys } from '$lib/server/store/survey-store.ts';

/** Deletes a survey; a running one ends. */
export async function POST({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    await deleteSurveys(appStore().db, [found.survey.id]);
    return json({ ok: true });
}
