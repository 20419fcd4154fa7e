import { error, json } from '@sveltejs/kit';
import { appStore, isEarlier } from '$lib/server/app.ts';
import { summaryNow } from '$lib/server/revisions.ts';
import { listRevisions } from '$lib/server/store/evidence-store.ts';

/** The counts of the survey, as `summary.json` of the command line; of an earlier revision with `?revision=N`. */
export async function GET({ url, locals }) {
    const { survey } = locals;
    const asked = url.searchParams.get('revision') ?? (isEarlier(survey) ? String(survey.revision) : null);
    if (asked === null || Number(asked) === survey.latest) return json(await summaryNow(survey));
    const revisions = await listRevisions(appStore().db, survey.id);
    const revision = revisions.find((item) => String(item.number) === asked);
    if (!revision) error(404, `Survey ${survey.number} has no revision ${asked.slice(0, 20)} that was kept.`);
    return json(revision.summary);
}
