import { error, json } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { evaluateLine, pageWindow } from '$lib/server/current-set.ts';
import { NO_PARAMS, paramsOf } from '$lib/server/request-params.ts';

type Params = Parameters<typeof pageWindow>[1];

async function windowFor(route: { site: string; survey: string }, asked: Params): Promise<Response> {
    const found = await findRoute(route);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, asked.get('set') ?? '');
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return json(pageWindow(current, asked));
}

/** A window of the pages of a set: `set`, `order=COLUMN[.desc]`, `columns`, `from`, `count`. */
export function GET({ params, url }) {
    return windowFor(params, url.searchParams);
}

/** The same with the parameters as a JSON object, for a set that is longer than an address may be. */
export async function POST({ params, request }) {
    return windowFor(params, (await paramsOf(request)) ?? error(400, NO_PARAMS));
}
