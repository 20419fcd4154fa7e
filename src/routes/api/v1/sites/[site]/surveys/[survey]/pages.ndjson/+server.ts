import { error } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { columnsNamed, evaluateLine, orderedNodes, orderOf, recordOf } from '$lib/server/current-set.ts';
import { ndjsonAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set, one JSON object to a line. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '');
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    const columns = columnsNamed(current, url.searchParams.get('columns'));
    const nodes = orderedNodes(current, orderOf(url.searchParams));
    function* records() {
        for (const node of nodes) yield recordOf(columns, node);
    }
    return ndjsonAnswer(`${found.site.name}-survey-${found.survey.number}-pages.ndjson`, records());
}
