/** The parts of Reach beside its first view, for a request: orphans, templates, the intended structure. */
import { orphansView } from '../../core/views/orphans.ts';
import { structureView } from '../../core/views/structure.ts';
import { templatesView } from '../../core/views/templates.ts';
import { intendedOf } from '../app.ts';
import { openArea } from '../areas.ts';
import { windowOf } from '../current-set.ts';
import type { RequestContext } from '../request-context.ts';

export async function showOrphans(request: RequestContext, url: URL) {
    const { packed, counts } = await openArea(request);
    const from = windowOf(url.searchParams).from;
    return { view: orphansView(packed, counts, from) };
}

export async function showTemplates(request: RequestContext, url: URL) {
    const { packed, counts } = await openArea(request, ['links']);
    return { view: templatesView(packed, counts.pages, url.searchParams.get('template')) };
}

export async function showStructure(request: RequestContext, url: URL) {
    const pages = await intendedOf(request.site.id);
    return { view: structureView(await request.packed(), pages, url.searchParams.get('only')) };
}
