import { error, json } from '@sveltejs/kit';
import { pageWindow } from '$lib/server/current-set.ts';
import { NO_PARAMS, paramsOf } from '$lib/server/request-params.ts';

type Params = Parameters<typeof pageWindow>[1];

async function windowFor(locals: App.Locals, asked: Params): Promise<Response> {
    const current = await locals.set([], asked.get('set') ?? '');
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return json(pageWindow(current, asked));
}

/** A window of the pages of a set: `set`, `order=COLUMN[.desc]`, `columns`, `from`, `count`. */
export function GET({ url, locals }) {
    return windowFor(locals, url.searchParams);
}

/** The same with the parameters as a JSON object, for a set that is longer than an address may be. */
export async function POST({ request, locals }) {
    return windowFor(locals, (await paramsOf(request)) ?? error(400, NO_PARAMS));
}
