import { error, json } from '@sveltejs/kit';
import { urlOfKey } from '$lib/core/address/page-key.ts';
import { proposalsFor } from '$lib/server/proposals/propose.ts';

/** Sentences that could carry a link to the page of `?for=…`, the best first; with `first` those of the likeliest pages alone. */
export async function GET({ url, locals }) {
    const asked = url.searchParams.get('for') ?? '';
    if (asked === '') error(400, 'Say for which page, by its URL.');
    const found = await proposalsFor(locals, urlOfKey(asked, locals.site.start), url.searchParams.has('first'));
    if (found === null) error(404, 'This survey knows no such page.');
    return json(found);
}
