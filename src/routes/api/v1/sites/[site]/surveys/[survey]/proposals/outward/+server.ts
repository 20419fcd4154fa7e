import { error, json } from '@sveltejs/kit';
import { urlOfKey } from '$lib/core/address/page-key.ts';
import { outwardOf, outwardOfText } from '$lib/server/proposals/propose.ts';
import { WrittenText } from '$lib/wire/proposals.ts';

/** What the text of the page of `?of=…` could lead to. */
export async function GET({ url, locals }) {
    const found = await outwardOf(locals, urlOfKey(url.searchParams.get('of') ?? '', locals.site.start));
    if (found === null) error(404, 'This survey knows no such page.');
    return json(found);
}

/** The same of a text that is no page yet: `{ text, language? }`. Nothing of it is kept. */
export async function POST({ request, locals }) {
    const asked = WrittenText.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Give a text.');
    return json(await outwardOfText(locals, asked.data.text, asked.data.language));
}
