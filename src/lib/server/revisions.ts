/** What a survey said at its earlier revisions: kept just before something changes it. */
import type { Problem } from '../core/problems/problem.ts';
import { countLinkRecords } from '../core/areas/link-records.ts';
import { appStore, openPacked } from './app.ts';
import { summaryOf, type SummaryFile } from './export/export-survey.ts';
import { keepRevision } from './store/evidence-store.ts';
import type { Survey } from './store/survey-store.ts';

/** The summary of a survey as it is now. */
export async function summaryNow(survey: Survey): Promise<SummaryFile> {
    const packed = await openPacked(survey, ['core', 'text', 'links']);
    return summaryOf(survey, packed, countLinkRecords(packed));
}

/**
 * Keeps the revision a survey is at, if it has ended; nothing is kept of one that was only laid aside. Its packed survey
 * is made if it was not, and stays.
 */
export async function rememberRevision(survey: Survey, why: Problem): Promise<void> {
    if (survey.endedAt === null || survey.revision === 0) return;
    await openPacked(survey);
    await keepRevision(appStore().db, survey.id, survey.revision, survey.endedAt, why, await summaryNow(survey));
}
