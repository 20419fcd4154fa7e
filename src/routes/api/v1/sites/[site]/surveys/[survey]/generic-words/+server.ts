import { error, json } from '@sveltejs/kit';
import { caughtBy } from '$lib/core/text/generic-catch.ts';
import { GenericChange } from '$lib/wire/generic-words.ts';

/** What a wording catches, or would catch, on the list of a language: `?text=…&language=…`. */
export async function GET({ url, locals }) {
    const asked = GenericChange.pick({ text: true, language: true }).safeParse({
        text: url.searchParams.get('text') ?? '',
        language: url.searchParams.get('language') ?? '',
    });
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say which words.');
    return json(caughtBy(await locals.packed(['text', 'links']), asked.data.text, asked.data.language));
}
