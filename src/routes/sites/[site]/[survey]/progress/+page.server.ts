import { error } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { lastKnock } from '$lib/server/door-actions.ts';
import { readProgress } from '$lib/server/store/job-store.ts';

export async function load({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { survey } = found;
    // The knock that came before its pages were read; a later one says nothing of this survey.
    const [progress, knock] = await Promise.all([
        readProgress(appStore().db, survey.id),
        lastKnock(survey.siteId, survey.endedAt ?? Infinity),
    ]);
    return { ...progress, knock };
}
