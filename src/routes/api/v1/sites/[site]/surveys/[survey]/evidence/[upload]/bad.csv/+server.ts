import { error } from '@sveltejs/kit';
import { badLinesOf } from '$lib/server/evidence-actions.ts';
import { findRoute } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** Lines of an import that could not be read, with the reason of each. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const lines = await badLinesOf(found.survey, Number(params.upload));
    return csvAnswer('lines-not-read.csv', ['line', 'why', 'text'], lines);
}
