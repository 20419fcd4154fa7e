import { error, json } from '@sveltejs/kit';
import { CHECKS } from '$lib/core/checks/register.ts';
import { appStore } from '$lib/server/app.ts';
import { accept, listAcceptances, withdraw } from '$lib/server/store/check-store.ts';
import { NewAcceptance } from '$lib/wire/checks.ts';

/** What the site lives with: causes, and findings of single URLs, each with its reason. */
export async function GET({ locals }) {
    return json(await listAcceptances(appStore().db, locals.site.id));
}

/** Accepts a cause, `{ subject: KEY, note }`, or what a check finds at a URL, `{ check, subject: URL, note }`. */
export async function POST({ request, locals }) {
    const asked = NewAcceptance.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say what is accepted, and why.');
    const { check } = asked.data;
    if (check !== '' && !CHECKS.some(({ id }) => id === check)) error(400, `There is no check "${check}".`);
    const { db } = appStore();
    await accept(db, locals.site.id, asked.data);
    return json(await listAcceptances(db, locals.site.id));
}

/** Takes the acceptance `?id=…` back. */
export async function DELETE({ url, locals }) {
    const id = Number(url.searchParams.get('id'));
    if (!Number.isInteger(id)) error(400, 'Say which acceptance, by its number.');
    const { db } = appStore();
    await withdraw(db, locals.site.id, id);
    return json(await listAcceptances(db, locals.site.id));
}
