import { error, json } from '@sveltejs/kit';
import { findRoute, openPacked } from '$lib/server/app.ts';
import { siteMeasures } from '$lib/core/areas/site-measures.ts';

/** Measures of the whole link graph: reach, weight by section, flow, concentration, choke points, templates. */
export async function GET({ params }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    return json(siteMeasures(await openPacked(found.survey)));
}
