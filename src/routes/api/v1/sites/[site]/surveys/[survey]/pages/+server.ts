import { error, json } from '@sveltejs/kit';
import { pageWindow } from '$lib/core/sets/page-window.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';

/** A window of pages: `q`, `depth`, `gate`, … as in the table; `order=COLUMN[.desc]`, `from`, `count`. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured } = await openSurvey(found.survey);
    return json(pageWindow(measured, url.searchParams));
}
