import { error, json } from '@sveltejs/kit';
import { filterFromParams, filterPages } from '$lib/core/sets/page-filter.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';
import { MOST_SPOT_URLS, startSpot } from '$lib/server/survey-actions.ts';
import { SpotRequest } from '$lib/wire/survey-requests.ts';

/** Reads a page, a folder or the set in the query again, as a survey of its own. */
export async function POST({ params, request, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const asked = SpotRequest.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say what is to be read again: a page, a folder or a set.');
    const { measured } = await openSurvey(found.survey);
    const { data } = asked;
    let urls: string[];
    let what: string;
    if (data.kind === 'page') {
        urls = measured.urls.filter((known) => known === data.url);
        what = data.url;
    } else if (data.kind === 'folder') {
        urls = measured.urls.filter((known) => known.startsWith(data.url));
        what = `the folder ${data.url}`;
    } else {
        urls = filterPages(measured, filterFromParams(url.searchParams)).map((node) => measured.urls[node]!);
        what = `a set of ${urls.length}`;
    }
    if (urls.length === 0) error(400, 'No known URL is in that.');
    if (urls.length > MOST_SPOT_URLS) {
        error(
            400,
            `A spot survey reads at most ${MOST_SPOT_URLS} URLs; this is ${urls.length}. Survey the site again instead.`,
        );
    }
    const survey = await startSpot(found.survey, what, urls);
    return json({ number: survey.number });
}
