/** What the register needs to find: a survey with all its parts, and what the site says of its pages and of the checks. */
import type { CheckView } from '../core/checks/check.ts';
import { siteView } from '../core/checks/site-findings.ts';
import type { Part } from '../core/columns/column.ts';
import { wordIndexOf } from './proposals/open-words.ts';
import { appStore, openPacked } from './app.ts';
import type { Surveys } from './baseline.ts';
import { besideOf } from './beside.ts';
import { evaluateIn, evaluateLine } from './current-set.ts';
import { filesOf, NO_FILES } from './received-files.ts';
import type { RequestContext } from './request-context.ts';
import { checkSettingsIn } from './site-checks.ts';
import { getSite } from './store/site-store.ts';
import type { Survey } from './store/survey-store.ts';

const ALL_PARTS: readonly Part[] = ['links'];

/** @param texts robots.txt is read too: what is found of files is asked for */
export async function checkViewOf(
    { site, survey }: Pick<RequestContext, 'site' | 'survey'>,
    texts: 'with files' | 'pages only' = 'with files',
): Promise<CheckView> {
    const { db } = appStore();
    const { survey: packed, priority } = await evaluateLine(survey, '', ALL_PARTS);
    const [settings, files, beside] = await Promise.all([
        checkSettingsIn(db, site.id),
        texts === 'with files' ? filesOf(db, survey.id) : NO_FILES,
        besideOf({ db, open: openPacked, words: wordIndexOf }, survey),
    ]);
    return siteView(packed, { goals: site.depthGoals, priority, settings, beside, ...files });
}

/** The same, on surveys from wherever they are. @throws Error where the survey's site is gone */
export async function checkViewIn(surveys: Surveys, survey: Survey): Promise<CheckView> {
    const site = await getSite(surveys.db, survey.siteId);
    if (!site) throw new Error('the site of the survey is gone');
    const { survey: packed, priority } = await evaluateIn(surveys, survey, '', ALL_PARTS);
    const [files, settings, beside] = await Promise.all([
        filesOf(surveys.db, survey.id),
        checkSettingsIn(surveys.db, site.id),
        besideOf(surveys, survey),
    ]);
    return siteView(packed, { goals: site.depthGoals, priority, settings, beside, ...files });
}
