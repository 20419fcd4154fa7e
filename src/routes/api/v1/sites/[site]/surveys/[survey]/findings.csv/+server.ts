import { csvAnswer } from '$lib/server/export/downloads.ts';
import { FINDING_COLUMNS, findingRecords } from '$lib/server/export/findings.ts';
import { appStore } from '$lib/server/app.ts';
import { checkViewOf } from '$lib/server/findings.ts';

/** What the register finds of the survey, one row a finding. */
export async function GET({ locals }) {
    const { site, survey } = locals;
    const name = `${site.name}-survey-${survey.number}-findings.csv`;
    return csvAnswer(name, FINDING_COLUMNS, findingRecords(appStore().db, survey.id, await checkViewOf(locals)));
}
