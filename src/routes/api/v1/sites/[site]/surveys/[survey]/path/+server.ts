import { error, json } from '@sveltejs/kit';
import { pathBetween } from '$lib/core/areas/path-between.ts';
import { markupOf } from '$lib/server/sheet-details.ts';

/** The shortest way from one page to another, `from` and `to` being URLs: each step with its anchor, region and line. */
export async function GET({ url, locals }) {
    const packed = await locals.packed(['core', 'text', 'links']);
    const [from, to] = ['from', 'to'].map((name) => packed.nodeOf(url.searchParams.get(name) ?? ''));
    if (from === -1 || to === -1) {
        error(400, `The survey does not know the address given as "${from === -1 ? 'from' : 'to'}".`);
    }
    const path = pathBetween(packed, from!, to!);
    if (!path) return json({ clicks: null, leftOut: 0, steps: [] });
    const { clicks, leftOut, steps } = path;
    const marks = await markupOf(
        locals.survey,
        packed,
        steps.flatMap(({ place }) => (place ? [place] : [])),
    );
    let next = 0;
    return json({
        clicks,
        leftOut,
        steps: steps.map(({ place, ...step }) => ({ ...step, line: place ? marks[next++]!.line : null })),
    });
}
