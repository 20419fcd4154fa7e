import { error } from '@sveltejs/kit';
import { PARTS } from '$lib/core/packed/packed-survey.ts';
import { findRoute, packedBytes } from '$lib/server/app.ts';

/** One part of a packed survey, as bytes (`docs/formats.md`, "Packed survey"): what a browser works sets out on. */
export async function GET({ params, request }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const part = PARTS.find((name) => name === params.part);
    if (!part) error(404, `A packed survey has no part "${params.part.slice(0, 20)}"; there are ${PARTS.join(', ')}.`);
    const { survey } = found;
    const tag = `"${survey.id}.${survey.revision}.${survey.batches}.${part}"`;
    const headers = { etag: tag, 'cache-control': 'private, no-cache' };
    if (request.headers.get('if-none-match') === tag) return new Response(null, { status: 304, headers });
    const bytes = await packedBytes(survey, part);
    if (!bytes) error(409, 'The survey has not ended; its packed form is made when it has.');
    return new Response(bytes, {
        headers: { ...headers, 'content-type': 'application/octet-stream', 'content-length': String(bytes.length) },
    });
}
