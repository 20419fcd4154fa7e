/** *Gates*, for a request. */
import { productToken } from '../../core/robots/robots-lines.ts';
import { gatesView } from '../../core/views/gates.ts';
import { checkViewOf } from '../findings.ts';
import { openArea } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

export async function showGates(request: RequestContext, url: URL) {
    const [{ within }, view] = await Promise.all([openArea(request, ['links']), checkViewOf(request)]);
    const { token } = request.survey.settings;
    const agent = productToken(url.searchParams.get('agent') ?? '');
    return { view: gatesView(view, within, { agent: agent === token ? '' : agent, token }) };
}
