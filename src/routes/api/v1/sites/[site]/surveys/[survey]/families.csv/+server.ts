import { appStore } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { FAMILY_COLUMNS, familyRecords } from '$lib/server/export/families.ts';

/** The families of the survey, one row each; the URLs of closed ones that were not read are the set `reason is trap`. */
export async function GET({ locals }) {
    const name = `${locals.site.name}-survey-${locals.survey.number}-families.csv`;
    return csvAnswer(name, FAMILY_COLUMNS, [await familyRecords(appStore().db, locals.survey.id)]);
}
