import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { saveWantedLinks } from '$lib/server/store/site-store.ts';
import { WantedLinks } from '$lib/wire/wanted-links.ts';

/** How many pages should link to a page, by its priority. */
export async function GET({ locals }) {
    return json(locals.site.wantedLinks);
}

/** Sets it: `{ first, second, third, others }`, each a whole number or null. */
export async function PUT({ request, locals }) {
    const asked = WantedLinks.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'A number of wanted links is a whole number from 1 to 1,000, or nothing.');
    await saveWantedLinks(appStore().db, locals.site.id, asked.data);
    return json(asked.data);
}
