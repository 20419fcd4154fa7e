import { error } from '@sveltejs/kit';
import { columnsNamed, orderedNodes, orderOf, recordOf } from '$lib/server/current-set.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set as CSV, in their order; `columns=a,b` chooses columns, all by default. */
export async function GET({ url, locals }) {
    const current = await locals.set();
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    const columns = columnsNamed(current, url.searchParams.get('columns'));
    const nodes = orderedNodes(current, orderOf(url.searchParams));
    function* records() {
        for (const node of nodes) yield recordOf(columns, node);
    }
    return csvAnswer(
        `${locals.site.name}-survey-${locals.survey.number}-pages.csv`,
        columns.map((column) => column.id),
        [records()],
    );
}
