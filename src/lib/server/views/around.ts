/** *Around a page*, for a request: a page of the address, or a small current set. */
import { urlOfKey } from '../../core/address/page-key.ts';
import { NEAR_KINDS } from '../../core/areas/neighbourhood.ts';
import {
    aroundView,
    MOST_CENTRES,
    MOST_STEPS_AROUND,
    NEAR_GROUPS,
    NEAR_WAYS,
    pathsTold,
} from '../../core/views/around.ts';
import { sectionsOf } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

/** @returns null where the survey knows no page yet */
export async function showAround(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const params = url.searchParams;
    const packed = await request.packed(['core', 'text', 'links', 'measures']);
    const nodeAt = (name: string): number => {
        const key = params.get(name);
        return key === null || key === '' ? -1 : packed.nodeOf(urlOfKey(key, site.start));
    };
    const { bits, text, trouble } = await request.set(['links']);
    const isSet = text.trim() !== '' && trouble === null;
    const of = nodeAt('of');
    const set = isSet && bits.count() <= MOST_CENTRES ? [...bits.nodes()] : [];
    const centre = of >= 0 ? [of] : set.length > 0 ? set : packed.head.starts.slice(0, 1);
    if (centre.length === 0) return null;
    const steps = Math.max(1, Math.min(MOST_STEPS_AROUND, Math.trunc(Number(params.get('steps') ?? 1)) || 1));
    const kinds = NEAR_KINDS.filter((kind) => params.getAll('kind').includes(kind));
    const asked = {
        of: centre,
        steps,
        ways: NEAR_WAYS.find((own) => own === params.get('ways')) ?? 'both',
        kinds: kinds.length > 0 ? kinds : (['text', 'redirect', 'canonical'] as const),
        group: NEAR_GROUPS.find((own) => own === params.get('group')) ?? 'block',
    };
    const to = nodeAt('to');
    return {
        view: aroundView(packed, asked),
        paths: to >= 0 && centre.length === 1 ? pathsTold(packed, centre[0]!, to, nodeAt('without')) : null,
        /** What the address asks for and this survey does not know. */
        unknown: ['of', 'to', 'without'].flatMap((name) => {
            const key = params.get(name);
            return key !== null && key !== '' && nodeAt(name) === -1 ? [key] : [];
        }),
        /** The current set, where it is too large to stand in the middle. */
        tooLarge: isSet && of < 0 && set.length === 0 ? bits.count() : 0,
        sections: await sectionsOf(survey, packed),
    };
}
