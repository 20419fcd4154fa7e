/** *Map*, for a request: the headline and the legend; the picture is made in the browser from the packed survey. */
import { mapView } from '../../core/views/map.ts';
import { openArea, sectionsOf } from '../areas.ts';
import type { RequestContext } from '../request-context.ts';

export async function showMap(request: RequestContext) {
    const { packed, within } = await openArea(request, ['text']);
    const sections = await sectionsOf(request.survey, packed);
    return { view: mapView(packed, within, sections), sections };
}
