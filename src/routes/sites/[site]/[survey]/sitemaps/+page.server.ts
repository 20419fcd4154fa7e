import { error } from '@sveltejs/kit';
import { sitemapFiles } from '$lib/core/survey/sitemap-files.ts';
import { findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';

export async function load({ params, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const { measured } = await openSurvey(found.survey);
    return sitemapFiles(measured);
}
