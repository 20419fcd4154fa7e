import { json } from '@sveltejs/kit';
import { siteMeasures } from '$lib/core/areas/site-measures.ts';

/** Measures of the whole link graph: reach, weight by section, flow, concentration, choke points, templates. */
export async function GET({ locals }) {
    return json(siteMeasures(await locals.packed()));
}
