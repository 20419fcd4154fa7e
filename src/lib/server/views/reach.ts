/** The area Reach, for a request. */
import { reachView } from '../../core/views/reach.ts';
import { smallBranchMap } from '../../core/views/small-map.ts';
import { appStore, isEnded } from '../app.ts';
import { openArea, sectionsOf } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';
import { progressIn } from '../progress.ts';

const MOST_FAMILIES = 8;

export async function showReach(request: RequestContext, url: URL) {
    const { current, packed, within } = await openArea(request, ['links']);
    const goals = request.site.depthGoals;
    const followedOnly = url.searchParams.get('links') === 'followed';
    const { progress } = await progressIn(appStore().db, request.survey.id);
    const closed = (progress?.families ?? []).filter(({ state }) => state === 'closed');
    return {
        view: reachView({ survey: packed, priority: current.priority, within, goals, followedOnly }),
        small: isEnded(request.survey)
            ? { map: smallBranchMap(packed), sections: await sectionsOf(request.survey, packed) }
            : null,
        followedOnly,
        goals,
        families: { told: closed.slice(0, MOST_FAMILIES), more: Math.max(0, closed.length - MOST_FAMILIES) },
    };
}
