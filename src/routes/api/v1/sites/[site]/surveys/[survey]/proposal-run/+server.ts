import { error, json } from '@sveltejs/kit';
import { appStore, isClosed } from '$lib/server/app.ts';
import { startRunFor } from '$lib/server/proposals/start-run.ts';
import { latestProposalRun, stopProposalRun } from '$lib/server/store/proposal-run-store.ts';
import { StartRun } from '$lib/wire/proposal-run.ts';

/** How far the last run of this survey is; null where there was none. */
export async function GET({ locals }) {
    return json(await latestProposalRun(appStore().db, locals.survey));
}

/** Looks for proposals for all targets of a set, `{ set }`; in place of the last run of the survey. */
export async function POST({ request, locals }) {
    const asked = StartRun.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say for which set: { "set": LINE }, empty for whatever lacks links.');
    if (!isClosed(locals.survey)) error(409, 'The words of this survey are not known yet: wait until it has ended.');
    const refusal = await startRunFor(locals, asked.data.set);
    if (refusal !== '') error(400, refusal);
    return json(await latestProposalRun(appStore().db, locals.survey));
}

/** Stops it; what was found stays. */
export async function DELETE({ locals }) {
    const { db } = appStore();
    await stopProposalRun(db, locals.survey.id);
    return json(await latestProposalRun(db, locals.survey));
}
