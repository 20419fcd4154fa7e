/** Files of a site as a survey received them, for the checks that look at their texts. */
import type { CheckView, RobotsText } from '../core/checks/check.ts';
import { filesOfIndex } from './crawl/earlier-run.ts';
import { readProblems } from '../core/problems/problem.ts';
import type { FileRow } from '../core/survey/survey-rows.ts';
import { askedOnce } from './request-memo.ts';
import type { Database } from './store/connect.ts';
import { RowReader } from './store/row-reader.ts';

/** Of all kinds, asked for once a request. */
const rowsOf = (db: Database, surveyId: number): Promise<FileRow[]> =>
    askedOnce(`files ${surveyId}`, () => new RowReader(db, surveyId).files());

export type ReceivedFiles = Pick<CheckView, 'robots' | 'listed'>;
export const NO_FILES: ReceivedFiles = { robots: [], listed: [] };

/** The files of a survey whose texts checks look at, in the order in which they were asked for. */
export async function filesOf(db: Database, surveyId: number): Promise<ReceivedFiles> {
    const files = await rowsOf(db, surveyId);
    return {
        robots: files
            .filter(({ kind }) => kind === 'robots')
            .map(({ url, status, note, text }) => ({ url, status, problems: readProblems(note), text })),
        listed: files
            .filter(({ kind, entries, text }) => kind === 'sitemap' && entries !== null && text !== '')
            .map(({ url, text }) => ({ url, text })),
    };
}

/** The robots.txt files of a survey with their texts. */
export async function robotsTexts(db: Database, surveyId: number): Promise<readonly RobotsText[]> {
    return (await filesOf(db, surveyId)).robots;
}

/** The files that each sitemap index names, in its order. */
export async function sitemapIndexes(db: Database, surveyId: number): Promise<Map<string, string[]>> {
    const files = await rowsOf(db, surveyId);
    return new Map(
        files
            .filter(({ kind }) => kind === 'sitemap')
            .map((file) => [file.url, filesOfIndex(file).map(({ url }) => url)]),
    );
}
