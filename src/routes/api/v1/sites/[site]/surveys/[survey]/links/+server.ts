import { error, json } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { evaluateLine } from '$lib/server/current-set.ts';
import { linkQueryOf, linkWindow } from '$lib/server/link-table.ts';
import { NO_PARAMS, paramsOf } from '$lib/server/request-params.ts';

type Params = Parameters<typeof linkQueryOf>[0];

async function windowFor(route: { site: string; survey: string }, asked: Params): Promise<Response> {
    const found = await findRoute(route);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, asked.get('set') ?? '', ['links']);
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return json(await linkWindow(found.survey, current, linkQueryOf(asked), asked));
}

/** A window of links: `set`, `side=from|to`, `kind`, `region`, `followed`, `order=COLUMN[.desc]`, `from`, `count`. */
export function GET({ params, url }) {
    return windowFor(params, url.searchParams);
}

/** The same with the parameters as a JSON object, for a set that is longer than an address may be. */
export async function POST({ params, request }) {
    return windowFor(params, (await paramsOf(request)) ?? error(400, NO_PARAMS));
}
