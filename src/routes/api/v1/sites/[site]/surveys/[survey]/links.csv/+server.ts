import { error } from '@sveltejs/kit';
import { LINK_TABLE_COLUMNS } from '$lib/core/sets/link-rows.ts';
import { LINK_COLUMNS } from '$lib/core/survey/link-records.ts';
import { appStore } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { linkRecords } from '$lib/server/export/link-export.ts';
import { linkGroups, linkQueryFor } from '$lib/server/link-table.ts';

/**
 * Every distinct link of the survey as CSV; with `set`, `side` or the other parameters of the Links table its rows, one
 * for each occurrence.
 */
export async function GET({ url, locals }) {
    const name = `${locals.site.name}-survey-${locals.survey.number}-links.csv`;
    if (!url.searchParams.has('side')) {
        const packed = await locals.packed(['core', 'text', 'links']);
        return csvAnswer(name, LINK_COLUMNS, linkRecords(appStore().db, locals.survey.id, packed));
    }
    const current = await locals.set(['links']);
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    return csvAnswer(
        name,
        LINK_TABLE_COLUMNS,
        linkGroups(locals.survey, current, await linkQueryFor(locals, url.searchParams)),
    );
}
