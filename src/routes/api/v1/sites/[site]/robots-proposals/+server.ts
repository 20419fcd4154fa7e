import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { dropProposal, listProposals, saveProposal } from '$lib/server/store/robots-store.ts';
import { RobotsProposal } from '$lib/wire/robots-proposal.ts';

/** The robots.txt texts that are proposed for hosts of the site. */
export async function GET({ locals }) {
    return json(await listProposals(appStore().db, locals.site.id));
}

/** Keeps one: `{ origin, text, note? }`, in place of the one before. */
export async function PUT({ request, locals }) {
    const asked = RobotsProposal.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Give a host and a text.');
    const { db } = appStore();
    await saveProposal(db, locals.site.id, asked.data);
    return json(await listProposals(db, locals.site.id));
}

/** Throws the one for `?origin=…` away. */
export async function DELETE({ url, locals }) {
    const origin = url.searchParams.get('origin') ?? '';
    if (origin === '') error(400, 'Say for which host, by its origin.');
    const { db } = appStore();
    await dropProposal(db, locals.site.id, origin);
    return json(await listProposals(db, locals.site.id));
}
