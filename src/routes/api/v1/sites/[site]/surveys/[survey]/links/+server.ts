import { error, json } from '@sveltejs/kit';
import { linkQueryFor, linkWindow } from '$lib/server/link-table.ts';
import { NO_PARAMS, paramsOf } from '$lib/server/request-params.ts';

type Params = Parameters<typeof linkQueryFor>[1];

async function windowFor(locals: App.Locals, asked: Params): Promise<Response> {
    const current = await locals.set(['links'], asked.get('set') ?? '');
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return json(await linkWindow(locals.survey, current, await linkQueryFor(locals, asked), asked));
}

/** A window of links: `set`, `side=from|to`, `kind`, `region`, `followed`, `order=COLUMN[.desc]`, `from`, `count`. */
export function GET({ url, locals }) {
    return windowFor(locals, url.searchParams);
}

/** The same with the parameters as a JSON object, for a set that is longer than an address may be. */
export async function POST({ request, locals }) {
    return windowFor(locals, (await paramsOf(request)) ?? error(400, NO_PARAMS));
}
