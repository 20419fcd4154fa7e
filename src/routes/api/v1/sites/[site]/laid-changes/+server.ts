import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { dropChanges, layAside, listChanges } from '$lib/server/store/laid-change-store.ts';
import { LaidChanges } from '$lib/wire/laid-change.ts';

/** The changes that are laid aside for the site. */
export async function GET({ locals }) {
    return json(await listChanges(appStore().db, locals.site.id));
}

/** Lays changes aside: `{ survey?, changes: […] }`, each in place of an earlier one of the same link. */
export async function POST({ request, locals, url }) {
    const asked = LaidChanges.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Give changes.');
    const { db } = appStore();
    const survey = Math.max(0, Math.trunc(Number(url.searchParams.get('survey') ?? 0)) || 0);
    await layAside(db, locals.site.id, survey, asked.data.changes);
    return json(await listChanges(db, locals.site.id));
}

/** Drops those of `?id=…`, several with commas. */
export async function DELETE({ url, locals }) {
    const ids = (url.searchParams.get('id') ?? '').split(',').map(Number);
    if (ids.length === 0 || !ids.every((id) => Number.isSafeInteger(id) && id > 0)) {
        error(400, 'Say which changes, by their ids.');
    }
    const { db } = appStore();
    await dropChanges(db, locals.site.id, ids);
    return json(await listChanges(db, locals.site.id));
}
