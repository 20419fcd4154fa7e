/** The area Weight, for a request. */
import { weightView } from '../../core/views/weight.ts';
import { openArea, sectionsOf } from '../areas.ts';
import { appStore, intendedOf } from '../app.ts';
import { askedOnce } from '../request-memo.ts';
import type { RequestContext } from '../request-context.ts';
import { listPriorities } from '../store/set-store.ts';

export async function showWeight(request: RequestContext, url: URL) {
    const { current, packed, within } = await openArea(request, ['links']);
    const { db } = appStore();
    const { id } = request.site;
    // Asked once with what the current set asks.
    const rules = await askedOnce(`priorities ${id}`, () => listPriorities(db, id));
    const intended = await intendedOf(id);
    const against = url.searchParams.get('against');
    return {
        view: weightView({ survey: packed, priority: current.priority, within, against }),
        rules,
        intended: intended.filter(({ priority }) => priority !== null).length,
        marked: await sectionsOf(request.survey, packed),
    };
}
