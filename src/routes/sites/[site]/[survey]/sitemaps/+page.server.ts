import { sitemapFiles } from '$lib/core/areas/sitemap-files.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ locals }) => {
    return sitemapFiles(await locals.packed());
});
