import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { answerProposal, listAnswers } from '$lib/server/store/laid-change-store.ts';
import { ProposalAnswer } from '$lib/wire/proposals.ts';

/** Proposals that were refused or put off. */
export async function GET({ locals }) {
    return json(await listAnswers(appStore().db, locals.site.id));
}

/** Answers one: `{ answer: refused | later | open, source, target }`; `open` takes an answer back. */
export async function POST({ request, locals }) {
    const asked = ProposalAnswer.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say which proposal, and what is answered.');
    const { db } = appStore();
    await answerProposal(db, locals.site.id, asked.data);
    return json(await listAnswers(db, locals.site.id));
}
