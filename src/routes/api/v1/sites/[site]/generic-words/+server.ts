import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { listGenericWords, sayGenericWord, TooManySaid } from '$lib/server/store/generic-word-store.ts';
import { GenericChange } from '$lib/wire/generic-words.ts';

/** What the site says beside our lists of words of links that say nothing. */
export async function GET({ locals }) {
    return json(await listGenericWords(appStore().db, locals.site.id));
}

/** Says of a wording that it says nothing, or something: `{ language, text, isGeneric }`; null takes it back. */
export async function PUT({ request, locals }) {
    const asked = GenericChange.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say which words, and in which language.');
    const { db } = appStore();
    try {
        await sayGenericWord(db, locals.site.id, asked.data);
    } catch (failure) {
        if (failure instanceof TooManySaid) error(400, failure.message);
        throw failure;
    }
    return json(await listGenericWords(db, locals.site.id));
}
