import { error } from '@sveltejs/kit';
import { sitemapFiles } from '$lib/core/areas/sitemap-files.ts';
import { findRoute, openPacked } from '$lib/server/app.ts';

export async function load({ params, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    return sitemapFiles(await openPacked(found.survey));
}
