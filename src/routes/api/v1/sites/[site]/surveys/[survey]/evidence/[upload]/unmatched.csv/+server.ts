import { unmatchedOf } from '$lib/server/evidence-actions.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** Rows of a list that match no URL the survey knows. */
export async function GET({ params, locals }) {
    const rows = await unmatchedOf(locals.survey, Number(params.upload));
    return csvAnswer('rows-without-page.csv', ['url', 'source'], [rows.map(({ url, source }) => ({ url, source }))]);
}
