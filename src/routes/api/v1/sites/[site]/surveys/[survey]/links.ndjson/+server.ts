import { error } from '@sveltejs/kit';
import { ndjsonAnswer } from '$lib/server/export/downloads.ts';
import { linkGroups, linkQueryFor } from '$lib/server/link-table.ts';

/** The rows of the Links table, one JSON object to a line. */
export async function GET({ url, locals }) {
    const current = await locals.set(['links']);
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return ndjsonAnswer(
        `${locals.site.name}-survey-${locals.survey.number}-links.ndjson`,
        linkGroups(locals.survey, current, await linkQueryFor(locals, url.searchParams)),
    );
}
