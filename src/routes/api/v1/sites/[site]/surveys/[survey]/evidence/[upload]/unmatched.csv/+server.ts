import { error } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { unmatchedOf } from '$lib/server/evidence-actions.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** Rows of an import that match no URL the survey knows. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const rows = await unmatchedOf(found.survey, Number(params.upload));
    return csvAnswer('rows-without-page.csv', ['url', 'source'], rows);
}
