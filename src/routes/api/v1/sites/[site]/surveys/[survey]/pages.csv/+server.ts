import { error } from '@sveltejs/kit';
import { setInOrder } from '$lib/core/sets/page-window.ts';
import { PAGE_COLUMNS, pageRecord } from '$lib/core/survey/page-record.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** The current set as CSV; `columns=a,b` chooses columns, all by default. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured } = await openSurvey(found.survey);
    const wanted = url.searchParams.get('columns')?.split(',');
    const columns = PAGE_COLUMNS.filter((column) => !wanted || wanted.includes(column));
    function* records() {
        for (const node of setInOrder(measured, url.searchParams)) yield pageRecord(measured, node);
    }
    return csvAnswer(
        `${found.site.name}-survey-${found.survey.number}-pages.csv`,
        columns.length > 0 ? columns : PAGE_COLUMNS,
        records(),
    );
}
