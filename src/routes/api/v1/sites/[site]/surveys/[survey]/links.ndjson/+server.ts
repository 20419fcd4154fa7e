import { error } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { evaluateLine } from '$lib/server/current-set.ts';
import { ndjsonAnswer } from '$lib/server/export/downloads.ts';
import { eachLink, linkQueryOf } from '$lib/server/link-table.ts';

/** The rows of the Links table, one JSON object to a line. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '', ['links']);
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return ndjsonAnswer(
        `${found.site.name}-survey-${found.survey.number}-links.ndjson`,
        eachLink(found.survey, current, linkQueryOf(url.searchParams)),
    );
}
