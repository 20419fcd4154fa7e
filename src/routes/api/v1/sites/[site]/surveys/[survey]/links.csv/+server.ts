import { error } from '@sveltejs/kit';
import { allLinks, LINK_COLUMNS } from '$lib/core/survey/link-records.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** Every distinct link of the survey as CSV. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured } = await openSurvey(found.survey);
    return csvAnswer(`${found.site.name}-survey-${found.survey.number}-links.csv`, LINK_COLUMNS, allLinks(measured));
}
