import { error, json } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { evaluateLine, pageWindow } from '$lib/server/current-set.ts';

/** A window of the pages of a set: `set`, `order=COLUMN[.desc]`, `columns`, `from`, `count`. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '');
    if (current.trouble) return json({ message: current.trouble.say, trouble: current.trouble }, { status: 400 });
    return json(pageWindow(current, url.searchParams));
}
