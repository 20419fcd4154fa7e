import { error } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { readProgress } from '$lib/server/store/job-store.ts';

export async function load({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    return readProgress(appStore().db, found.survey.id);
}
