import { error, redirect } from '@sveltejs/kit';
import { appStore, isEnded } from '$lib/server/app.ts';
import { getSite } from '$lib/server/store/site-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

/** A site opens at its newest survey. */
export async function load({ params }) {
    const { db } = appStore();
    const site = Number.isInteger(Number(params.site)) ? await getSite(db, Number(params.site)) : null;
    if (!site) error(404, 'There is no such site.');
    const [newest] = await listSurveys(db, site.id);
    if (!newest) redirect(303, `/sites/${site.id}/new-survey`);
    redirect(
        303,
        `/sites/${site.id}/${newest.number}/${isEnded(newest) && newest.state !== 'failed' ? 'brief' : 'progress'}`,
    );
}
