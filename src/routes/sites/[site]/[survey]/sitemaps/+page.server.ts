import { sitemapFiles } from '$lib/core/areas/sitemap-files.ts';

export async function load({ depends, locals }) {
    depends('edgemap:survey');
    return sitemapFiles(await locals.packed());
}
