import { error, json } from '@sveltejs/kit';
import { judgeAsked } from '$lib/server/sitemap-judging.ts';

/** Judges a sitemap beside the survey: a file as the body (`?at=ADDRESS`), or as JSON `{ url }` or `{ text, at? }`. */
export async function POST({ request, url, locals }) {
    const told = await judgeAsked(locals, request, url.searchParams.get('at') ?? '');
    if ('say' in told) error(told.status, told.say);
    return json(told.judged);
}
