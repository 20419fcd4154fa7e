/** What the register needs to find: a survey with all its parts, and what the site wants of its pages. */
import type { CheckView, RobotsText } from '../core/checks/check.ts';
import { siteView } from '../core/checks/site-findings.ts';
import { readProblems } from '../core/problems/problem.ts';
import type { Part } from '../core/columns/column.ts';
import { appStore } from './app.ts';
import { evaluateIn, evaluateLine, type Surveys } from './current-set.ts';
import type { RequestContext } from './request-context.ts';
import type { Database } from './store/connect.ts';
import { RowReader } from './store/row-reader.ts';
import { getSite } from './store/site-store.ts';
import type { Survey } from './store/survey-store.ts';

const ALL_PARTS: readonly Part[] = ['links'];

export async function checkViewOf({ site, survey }: Pick<RequestContext, 'site' | 'survey'>): Promise<CheckView> {
    const { db } = appStore();
    const { survey: packed, priority } = await evaluateLine(survey, '', ALL_PARTS);
    return siteView(packed, site.depthGoals, priority, await robotsTexts(db, survey.id));
}

/** The same, on surveys from wherever they are. @throws Error where the survey's site is gone */
export async function checkViewIn(surveys: Surveys, survey: Survey): Promise<CheckView> {
    const site = await getSite(surveys.db, survey.siteId);
    if (!site) throw new Error('the site of the survey is gone');
    const { survey: packed, priority } = await evaluateIn(surveys, survey, '', ALL_PARTS);
    return siteView(packed, site.depthGoals, priority, await robotsTexts(surveys.db, survey.id));
}

/** The robots.txt files of a survey with their texts, in the order in which they were asked for. */
export async function robotsTexts(db: Database, surveyId: number): Promise<RobotsText[]> {
    const files = await new RowReader(db, surveyId).files();
    return files
        .filter(({ kind }) => kind === 'robots')
        .map(({ url, status, note, text }) => ({ url, status, problems: readProblems(note), text }));
}
