/** *Map*, for a request: the headline and the legend; the picture is made in the browser from the packed survey. */
import { shadeChoices, shadingOf } from '../../core/map/shading.ts';
import { intendedHead, mapHead } from '../../core/views/map-heads.ts';
import { mapView } from '../../core/views/map.ts';
import { appStore, intendedOf } from '../app.ts';
import { openArea, sectionsOf } from '../areas.ts';
import { baselineOf } from '../baseline.ts';
import type { RequestContext } from '../request-context.ts';

export async function showMap(request: RequestContext, url: URL) {
    const { packed, within, current } = await openArea(request, ['text']);
    const [sections, baseline, intended] = await Promise.all([
        sectionsOf(request.survey, packed),
        baselineOf(appStore().db, request.survey),
        intendedOf(request.site.id),
    ]);
    const sources = {
        baseline: baseline?.number ?? null,
        hasPriorities: current.priority.some((value) => value > 0),
        hasIntended: intended.length > 0,
    };
    const { searchParams: params } = url;
    const by = (['branch', 'address'] as const).find((own) => own === params.get('arrange')) ?? 'depth';
    const shading = shadingOf(packed, params.get('shade') ?? '', sources);
    // Every entry of the legend is a set; those without a page are left out.
    const sized = [];
    for (const entry of shading.entries) {
        const { bits, trouble } = await request.set([], entry.set);
        const pages = trouble === null ? bits.count() : 0;
        if (pages > 0) sized.push({ ...entry, pages });
    }
    return {
        view: mapView(packed, within, sections),
        head:
            by === 'address' && params.get('group') === 'intended' && intended.length > 0
                ? intendedHead(packed, intended)
                : mapHead(packed, by, params.get('hang') === 'hold' ? 'hold' : 'way'),
        sections,
        shading: { ...shading, entries: sized },
        choices: shadeChoices(packed, sources),
        intended,
    };
}
