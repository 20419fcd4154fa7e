import { error } from '@sveltejs/kit';
import { appStore, findRoute } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { FAMILY_COLUMNS, familyRecords } from '$lib/server/export/families.ts';

/** The families of the survey, one row each; the URLs of closed ones that were not read are the set `reason is trap`. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const name = `${found.site.name}-survey-${found.survey.number}-families.csv`;
    return csvAnswer(name, FAMILY_COLUMNS, await familyRecords(appStore().db, found.survey.id));
}
