/** *Journey*, for a request: the steps are in the address, each by its page. */
import { pageKey, urlOfKey } from '../../core/address/page-key.ts';
import { WALKERS } from '../../core/map/site-walks.ts';
import { journeyView, MOST_STEPS } from '../../core/views/journey.ts';
import { landings } from '../../core/model/landings.ts';
import { modelOf } from '../../core/packed/model-of.ts';
import { sectionsOf } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

/** @returns null where the survey knows no page yet */
export async function showJourney(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const packed = await request.packed(['core', 'text', 'links', 'measures']);
    const asked = (url.searchParams.get('trail') ?? '').split(' ').filter(Boolean).slice(0, MOST_STEPS);
    const known = asked.map((key) => packed.nodeOf(urlOfKey(key, site.start)));
    const landed = landings(modelOf(packed));
    // Where nothing is asked for, the walk begins at the start page, or where that redirects to.
    const start = packed.head.starts.map((node) => (landed[node]! >= 0 ? landed[node]! : node)).slice(0, 1);
    const trail = known.filter((node) => node >= 0);
    const walked = trail.length > 0 ? trail : start;
    if (walked.length === 0) return null;
    const as = WALKERS.find((own) => own === url.searchParams.get('as')) ?? 'reader';
    return {
        view: journeyView(packed, walked, as),
        keys: walked.map((node) => pageKey(packed.url(node), site.start)),
        unknown: asked.filter((_, at) => known[at] === -1),
        isFull: walked.length >= MOST_STEPS,
        sections: await sectionsOf(survey, packed),
    };
}
