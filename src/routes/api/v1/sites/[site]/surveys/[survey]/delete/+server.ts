import { json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { deleteSurveys } from '$lib/server/store/survey-store.ts';

/** Deletes a survey; a running one ends. */
export async function POST({ locals }) {
    await deleteSurveys(appStore().db, [locals.survey.id]);
    return json({ ok: true });
}
