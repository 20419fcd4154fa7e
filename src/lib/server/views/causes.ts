/** *Causes*, for a request. */
import { causesView } from '../../core/views/causes.ts';
import { appStore, isEnded } from '../app.ts';
import { checkViewOf } from '../findings.ts';
import type { RequestContext } from '../request-context.ts';
import { acceptancesIn } from '../site-checks.ts';

export async function showCauses(request: RequestContext) {
    const [view, acceptances] = await Promise.all([
        checkViewOf(request),
        acceptancesIn(appStore().db, request.site.id),
    ]);
    return { view: causesView(view), acceptances, isEnded: isEnded(request.survey) };
}
