import { json } from '@sveltejs/kit';
import { causesView } from '$lib/core/views/causes.ts';
import { checkViewOf } from '$lib/server/findings.ts';

/** What is found, by the one edit that mends it: in the order in which it is told. */
export async function GET({ locals }) {
    const { total, rows, more, accepted } = causesView(await checkViewOf(locals));
    return json({ total, causes: rows, more, accepted });
}
