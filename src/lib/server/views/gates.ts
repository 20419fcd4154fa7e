/** *Gates*, for a request. */
import { gatesView } from '../../core/views/gates.ts';
import { siteView } from '../../core/checks/site-findings.ts';
import { openArea } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

export async function showGates(request: RequestContext) {
    const { current, packed, within } = await openArea(request, ['links']);
    return { view: gatesView(siteView(packed, request.site.depthGoals, current.priority, []), within) };
}
