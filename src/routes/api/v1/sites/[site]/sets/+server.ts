import { error, json } from '@sveltejs/kit';
import { parseSet } from '$lib/core/sets/parse-set.ts';
import { appStore } from '$lib/server/app.ts';
import { dropSavedSet, listSavedSets, saveSet } from '$lib/server/store/set-store.ts';
import { NamedSet } from '$lib/wire/sets.ts';

/** The sets the site keeps by name. */
export async function GET({ locals }) {
    const { site } = locals;
    return json(await listSavedSets(appStore().db, site.id));
}

/** Keeps a set under a name: `{ name, expression }`. */
export async function POST({ request, locals }) {
    const { site } = locals;
    const asked = NamedSet.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Give the set a name.');
    const { name, expression } = asked.data;
    // Columns of lists differ from survey to survey: only what is wrong everywhere is refused.
    const parsed = parseSet(expression);
    if (!parsed.ok && parsed.code !== 'unknown-name') error(400, parsed.say);
    await saveSet(appStore().db, site.id, name, expression);
    return json(await listSavedSets(appStore().db, site.id));
}

/** Forgets the set `?name=…`. */
export async function DELETE({ url, locals }) {
    const { site } = locals;
    await dropSavedSet(appStore().db, site.id, url.searchParams.get('name') ?? '');
    return json(await listSavedSets(appStore().db, site.id));
}
