import { error, json } from '@sveltejs/kit';
import { allLinks } from '$lib/core/survey/link-records.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';
import { summaryOf } from '$lib/server/export/export-survey.ts';

/** The counts of the survey, as `summary.json` of the command line. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured } = await openSurvey(found.survey);
    let links = 0;
    for (const _ of allLinks(measured)) links++;
    return json(summaryOf(found.survey, measured, links));
}
