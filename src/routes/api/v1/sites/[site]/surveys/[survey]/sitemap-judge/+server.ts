import { error, json } from '@sveltejs/kit';
import { MAX_SITEMAP_BYTES } from '$lib/core/sitemap/read-sitemap.ts';
import { bodyWithin } from '$lib/server/body-within.ts';
import { judgeBytes, judgeUrl } from '$lib/server/sitemap-judging.ts';
import { SitemapAsked } from '$lib/wire/sitemap-judging.ts';

/** Judges a sitemap beside the survey: a file as the body (`?at=ADDRESS`), or as JSON `{ url }` or `{ text, at? }`. */
export async function POST({ request, url, locals }) {
    const type = request.headers.get('content-type') ?? '';
    if (type === 'application/octet-stream') {
        const body = await bodyWithin(request.body, MAX_SITEMAP_BYTES);
        if (body === null) error(413, 'The file is larger than a sitemap may be (50 MiB).');
        const judging = await judgeBytes(locals, body, url.searchParams.get('at') ?? '');
        if (!judging.ok) error(422, judging.say);
        return json(judging.judged);
    }
    const asked = SitemapAsked.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Give the text of a sitemap, or its address.');
    const judging =
        'url' in asked.data
            ? await judgeUrl(locals, asked.data.url)
            : await judgeBytes(locals, new TextEncoder().encode(asked.data.text), asked.data.at);
    if (!judging.ok) error(422, judging.say);
    return json(judging.judged);
}
