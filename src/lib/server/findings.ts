/** What the register needs to find: a survey with all its parts, and what the site wants of its pages. */
import type { CheckView } from '../core/checks/check.ts';
import { siteView } from '../core/checks/site-findings.ts';
import type { Part } from '../core/columns/column.ts';
import { evaluateIn, evaluateLine, type Surveys } from './current-set.ts';
import type { RequestContext } from './request-context.ts';
import { getSite } from './store/site-store.ts';
import type { Survey } from './store/survey-store.ts';

const ALL_PARTS: readonly Part[] = ['links'];

export async function checkViewOf({ site, survey }: Pick<RequestContext, 'site' | 'survey'>): Promise<CheckView> {
    const { survey: packed, priority } = await evaluateLine(survey, '', ALL_PARTS);
    return siteView(packed, site.depthGoals, priority);
}

/** The same, on surveys from wherever they are. @throws Error where the survey's site is gone */
export async function checkViewIn(surveys: Surveys, survey: Survey): Promise<CheckView> {
    const site = await getSite(surveys.db, survey.siteId);
    if (!site) throw new Error('the site of the survey is gone');
    const { survey: packed, priority } = await evaluateIn(surveys, survey, '', ALL_PARTS);
    return siteView(packed, site.depthGoals, priority);
}
