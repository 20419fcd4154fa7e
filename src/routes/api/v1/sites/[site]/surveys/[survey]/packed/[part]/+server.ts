import { error } from '@sveltejs/kit';
import { contentTag } from '$lib/core/packed/sections.ts';
import { packedBytes, packedTag, STORED_PARTS } from '$lib/server/app.ts';

/** One part of a packed survey, as bytes (`docs/formats.md`, "Packed survey"): what a browser works sets out on. */
export async function GET({ params, request, locals }) {
    const part = STORED_PARTS.find((name) => name === params.part);
    if (!part)
        error(404, `A packed survey has no part "${params.part.slice(0, 20)}"; there are ${STORED_PARTS.join(', ')}.`);
    const { survey } = locals;
    // Told by the content, so that whoever holds other bytes under the same revision is given the new ones.
    const headersFor = (tag: string) => ({ etag: `"${tag}"`, 'cache-control': 'private, no-cache' });
    const has = request.headers.get('if-none-match');
    const known = await packedTag(survey, part);
    if (known !== null && has === `"${known}"`) return new Response(null, { status: 304, headers: headersFor(known) });
    const bytes = await packedBytes(survey, part);
    if (!bytes) error(409, 'The survey has not ended; its packed form is made when it has.');
    const headers = headersFor(contentTag(bytes));
    if (has === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(bytes, {
        headers: { ...headers, 'content-type': 'application/octet-stream', 'content-length': String(bytes.length) },
    });
}
