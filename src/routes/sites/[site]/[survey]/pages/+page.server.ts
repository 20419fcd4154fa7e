import { error } from '@sveltejs/kit';
import { pageWindow } from '$lib/core/sets/page-window.ts';
import { orderFromParams } from '$lib/core/sets/page-filter.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';

export async function load({ params, url, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured } = await openSurvey(found.survey);
    return {
        window: pageWindow(measured, url.searchParams),
        order: orderFromParams(url.searchParams),
    };
}
