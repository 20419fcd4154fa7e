import { lineFaultWords } from '$lib/core/words/evidence.ts';
import { badLinesOf } from '$lib/server/evidence-actions.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';

/** Lines of a list that could not be read, with the reason of each. */
export async function GET({ params, locals }) {
    const lines = await badLinesOf(locals.survey, Number(params.upload));
    const told = lines.map((line) => ({ ...line, why: lineFaultWords(line.why) }));
    return csvAnswer('lines-not-read.csv', ['line', 'why', 'text'], [told]);
}
