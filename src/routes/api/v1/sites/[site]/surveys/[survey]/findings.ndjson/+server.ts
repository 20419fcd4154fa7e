import { ndjsonAnswer } from '$lib/server/export/downloads.ts';
import { findingRecords } from '$lib/server/export/findings.ts';
import { appStore } from '$lib/server/app.ts';
import { checkViewOf } from '$lib/server/findings.ts';

/** What the register finds of the survey, one JSON object a finding. */
export async function GET({ locals }) {
    const { site, survey } = locals;
    const name = `${site.name}-survey-${survey.number}-findings.ndjson`;
    return ndjsonAnswer(name, findingRecords(appStore().db, survey.id, await checkViewOf(locals)));
}
