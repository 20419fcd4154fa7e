import { error } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { FOUND_COLUMNS, foundRecords } from '$lib/server/export/proposals-found.ts';
import { latestProposalRun } from '$lib/server/store/proposal-run-store.ts';

/** What the last run of this survey found: the best sentences of each target (`docs/formats.md`). */
export async function GET({ locals }) {
    const { db } = appStore();
    const run = await latestProposalRun(db, locals.survey);
    if (run === null) error(404, 'No proposals were looked for in this survey: do so on Proposals first.');
    return csvAnswer(`${locals.site.name}-proposals.csv`, FOUND_COLUMNS, foundRecords(db, run.id));
}
