import { error, json } from '@sveltejs/kit';
import { judgeAsked } from '$lib/server/sitemap-judging.ts';

/** Judges a sitemap by itself, beside no survey: asked as the one of a survey. */
export async function POST({ request, url, locals }) {
    const told = await judgeAsked({ site: locals.site, packed: null }, request, url.searchParams.get('at') ?? '');
    if ('say' in told) error(told.status, told.say);
    return json(told.judged);
}
