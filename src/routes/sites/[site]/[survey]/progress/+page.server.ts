import { appStore } from '$lib/server/app.ts';
import { lastKnock } from '$lib/server/door-actions.ts';
import { readProgress } from '$lib/server/store/job-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => {
    const { survey } = locals;
    // The knock that came before its pages were read; a later one says nothing of this survey.
    const [progress, knock] = await Promise.all([
        readProgress(appStore().db, survey.id),
        lastKnock(survey.siteId, survey.endedAt ?? Infinity),
    ]);
    return { ...progress, knock };
});
