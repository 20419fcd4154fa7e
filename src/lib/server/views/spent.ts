/** *Spent*, for a request: what robots asked for, by the access logs the survey was given. */
import { spentView } from '../../core/views/spent.ts';
import { appStore } from '../app.ts';
import { givenLogs } from '../evidence-actions.ts';
import type { RequestContext } from '../request-context.ts';
import { loadVisits } from '../store/evidence-store.ts';

export async function showSpent(request: RequestContext) {
    const { survey } = request;
    const [packed, logs, given] = await Promise.all([
        request.packed(['text', 'links']),
        loadVisits(appStore().db, survey.id, survey.revision),
        givenLogs(survey),
    ]);
    return { view: spentView(packed, logs, given) };
}
