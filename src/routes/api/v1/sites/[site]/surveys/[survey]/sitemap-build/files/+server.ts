import { error } from '@sveltejs/kit';
import { NotBuilt, sitemapFiles } from '$lib/server/sitemap-build.ts';

/** Its files, with the same parameters: one by itself, several as an archive. */
export async function GET({ url, locals }) {
    try {
        const { name, type, bytes } = await sitemapFiles(locals, url.searchParams);
        return new Response(new Uint8Array(bytes), {
            headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
        });
    } catch (trouble) {
        if (trouble instanceof NotBuilt) error(400, trouble.message);
        throw trouble;
    }
}
