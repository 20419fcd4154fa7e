import { error, json } from '@sveltejs/kit';
import { robotsNow } from '$lib/server/robots-now.ts';
import { RobotsNowAsked } from '$lib/wire/robots-now.ts';

/** Asks for the robots.txt of a host as it is now: `{ origin }`; nothing is kept. */
export async function POST({ request, locals }) {
    const asked = RobotsNowAsked.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say of which host: { "origin": "https://www.site.example" }.');
    const told = await robotsNow(locals.site, asked.data.origin);
    if ('say' in told) error(422, told.say);
    return json(told);
}
