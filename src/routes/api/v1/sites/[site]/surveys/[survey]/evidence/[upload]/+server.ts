import { error, json } from '@sveltejs/kit';
import { addUpload } from '$lib/server/evidence-actions.ts';
import { ListRequest } from '$lib/wire/evidence.ts';

/** Imports an uploaded file with its columns as confirmed: a new revision of the survey. */
export async function POST({ params, request, locals }) {
    const asked = ListRequest.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say how the columns are to be taken: separator, mapping, robotWords.');
    const result = await addUpload(locals.survey, params.upload, asked.data);
    if (!result.ok) error(422, { message: result.say, ...(result.doubt && { doubt: true }) });
    return json({ revision: result.revision });
}
