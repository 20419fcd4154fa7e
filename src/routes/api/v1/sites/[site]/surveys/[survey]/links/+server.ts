import { error, json } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { evaluateLine } from '$lib/server/current-set.ts';
import { linkQueryOf, linkWindow } from '$lib/server/link-table.ts';

/** A window of links: `set`, `side=from|to`, `kind`, `region`, `followed`, `order=COLUMN[.desc]`, `from`, `count`. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '', ['links']);
    if (current.trouble) return json({ message: current.trouble.say, trouble: current.trouble }, { status: 400 });
    return json(await linkWindow(found.survey, current, linkQueryOf(url.searchParams), url.searchParams));
}
