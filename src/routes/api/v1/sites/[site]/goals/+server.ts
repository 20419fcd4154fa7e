import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { saveDepthGoals } from '$lib/server/store/site-store.ts';
import { DepthGoals } from '$lib/wire/goals.ts';

/** The depth goals of the site. */
export async function GET({ locals }) {
    const { site } = locals;
    return json(site.depthGoals);
}

/** Sets them: `{ all, first, second, third }`, each a whole number of clicks or null. */
export async function PUT({ request, locals }) {
    const { site } = locals;
    const asked = DepthGoals.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'A goal is a whole number of clicks from 0 to 1,000, or nothing.');
    await saveDepthGoals(appStore().db, site.id, asked.data);
    return json(asked.data);
}
