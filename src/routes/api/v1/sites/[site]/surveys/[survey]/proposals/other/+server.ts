import { error, json } from '@sveltejs/kit';
import { otherTargets } from '$lib/server/proposals/propose.ts';

/** Other pages that the words of `?words=…` on the page `source` could lead to than `target`. */
export async function GET({ url, locals }) {
    const words = url.searchParams.get('words') ?? '';
    if (words === '' || words.length > 1_000) error(400, 'Give the words of the link, at most 1,000 characters.');
    const [source, target] = [url.searchParams.get('source') ?? '', url.searchParams.get('target') ?? ''];
    return json(await otherTargets(locals, words, source, target));
}
