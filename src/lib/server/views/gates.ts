/** *Gates*, for a request. */
import { gatesView } from '../../core/views/gates.ts';
import { checkViewOf } from '../findings.ts';
import { openArea } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

export async function showGates(request: RequestContext) {
    const [{ within }, view] = await Promise.all([openArea(request, ['links']), checkViewOf(request, 'pages only')]);
    return { view: gatesView(view, within) };
}
