import { error, json } from '@sveltejs/kit';
import { NotBuilt, planSitemap } from '$lib/server/sitemap-build.ts';

/** What a sitemap of a set would hold: `?set&split&dates&gzip&at`. */
export async function GET({ url, locals }) {
    try {
        return json(await planSitemap(locals, url.searchParams));
    } catch (trouble) {
        if (trouble instanceof NotBuilt) error(400, trouble.message);
        throw trouble;
    }
}
