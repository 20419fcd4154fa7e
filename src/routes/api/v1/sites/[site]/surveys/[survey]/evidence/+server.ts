import { error, json } from '@sveltejs/kit';
import { LIST_KINDS, type ListKind } from '$lib/core/evidence/evidence-lists.ts';
import { shownLists, takeUpload } from '$lib/server/evidence-actions.ts';

/** The lists a survey was given, with what became of each. */
export async function GET({ locals }) {
    return json(await shownLists(locals.survey));
}

/** Takes a file as the body of the request, and shows how its columns would be taken. Nothing is imported yet. */
export async function POST({ request, url, locals }) {
    // A browser sends this type to another site only after asking, which we never allow.
    if (request.headers.get('content-type') !== 'application/octet-stream' || request.body === null) {
        error(415, 'Send the file as application/octet-stream.');
    }
    const kind = url.searchParams.get('kind') ?? '';
    if (!isKind(kind)) error(400, `The kind is one of ${LIST_KINDS.join(', ')}.`);
    const name = (url.searchParams.get('name') ?? '')
        .replace(/[^\p{L}\p{N} ._()-]+/gu, ' ')
        .trim()
        .slice(0, 200);
    const length = Number(request.headers.get('content-length') ?? NaN) || undefined;
    const taken = await takeUpload(locals.survey, kind, name || 'list', request.body, length);
    if (!taken.ok) error(422, taken.say);
    return json({ upload: taken.upload.id, preview: taken.preview });
}

function isKind(text: string): text is ListKind {
    return (LIST_KINDS as readonly string[]).includes(text);
}
