import { error } from '@sveltejs/kit';
import { LINK_TABLE_COLUMNS } from '$lib/core/sets/link-rows.ts';
import { allLinks, LINK_COLUMNS } from '$lib/core/survey/link-records.ts';
import { findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';
import { evaluateLine } from '$lib/server/current-set.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { eachLink, linkQueryOf } from '$lib/server/link-table.ts';

/**
 * Every distinct link of the survey as CSV; with `set`, `side` or the other parameters of the Links table its rows, one
 * for each occurrence.
 */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const name = `${found.site.name}-survey-${found.survey.number}-links.csv`;
    if (!url.searchParams.has('side')) {
        const { measured } = await openSurvey(found.survey);
        return csvAnswer(name, LINK_COLUMNS, allLinks(measured));
    }
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '', ['links']);
    if (current.trouble) error(400, current.trouble.say);
    return csvAnswer(name, LINK_TABLE_COLUMNS, eachLink(found.survey, current, linkQueryOf(url.searchParams)));
}
