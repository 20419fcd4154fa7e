/** *Checks*, for a request. */
import { checksView } from '../../core/views/checks.ts';
import { appStore } from '../app.ts';
import { checkViewOf } from '../findings.ts';
import type { RequestContext } from '../request-context.ts';
import { acceptancesIn } from '../site-checks.ts';

export async function showChecks(request: RequestContext) {
    const [view, acceptances] = await Promise.all([
        checkViewOf(request),
        acceptancesIn(appStore().db, request.site.id),
    ]);
    return { view: checksView(view), acceptances };
}
