import { error } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { columnsNamed, evaluateLine, orderedNodes, orderOf, recordOf } from '$lib/server/current-set.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set as CSV, in their order; `columns=a,b` chooses columns, all by default. */
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
    return csvAnswer(
        `${found.site.name}-survey-${found.survey.number}-pages.csv`,
        columns.map((column) => column.id),
        records(),
    );
}
