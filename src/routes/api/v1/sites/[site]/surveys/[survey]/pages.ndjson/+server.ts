import { error } from '@sveltejs/kit';
import { columnsNamed, orderedNodes, orderOf, recordOf } from '$lib/server/current-set.ts';
import { ndjsonAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set, one JSON object to a line. */
export async function GET({ url, locals }) {
    const current = await locals.set();
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    const columns = columnsNamed(current, url.searchParams.get('columns'));
    const nodes = orderedNodes(current, orderOf(url.searchParams));
    function* records() {
        for (const node of nodes) yield recordOf(columns, node);
    }
    return ndjsonAnswer(`${locals.site.name}-survey-${locals.survey.number}-pages.ndjson`, [records()]);
}
