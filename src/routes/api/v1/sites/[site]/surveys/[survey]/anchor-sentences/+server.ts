import { error, json } from '@sveltejs/kit';
import { urlOfKey } from '$lib/core/address/page-key.ts';
import { anchorSentences } from '$lib/server/proposals/anchor-sentences.ts';

/** The links in text that call the page of `?to=…` by the words `anchor`, each in its sentence. */
export async function GET({ url, locals }) {
    const found = await anchorSentences(
        locals,
        urlOfKey(url.searchParams.get('to') ?? '', locals.site.start),
        url.searchParams.get('anchor') ?? '',
    );
    if (found === null) error(404, 'This survey knows no such page.');
    return json(found);
}
