import { json } from '@sveltejs/kit';
import { causesView, causesWith } from '$lib/core/views/causes.ts';
import { checkViewOf } from '$lib/server/findings.ts';

/** What is found, by the one edit that mends it, in the order in which it is told; with `words` those that have them. */
export async function GET({ url, locals }) {
    const { total, rows, more, accepted } = causesView(await checkViewOf(locals));
    return json({ total, causes: causesWith(rows, url.searchParams.get('words') ?? ''), more, accepted });
}
