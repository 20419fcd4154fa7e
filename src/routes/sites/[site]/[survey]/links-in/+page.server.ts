import { linksIn } from '$lib/core/areas/links-in.ts';
import { once } from '$lib/core/kept.ts';
import { importsOf } from '$lib/server/evidence-actions.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_SHOWN = 500;

export const load = lookedAt(async ({ url, locals }) => {
    const packed = await locals.packed();
    const rows = (await importsOf(locals.survey))
        .filter((item) => item.kind === 'external')
        .flatMap((item) => item.rows);
    const all = once(packed, 'links in', [], () => linksIn(packed, rows));
    const counts: Record<string, number> = {};
    for (const link of all) counts[link.landing] = (counts[link.landing] ?? 0) + 1;
    const wanted = url.searchParams.get('landing');
    const shown = all
        .filter((link) => (wanted === null ? link.landing !== 'page' : link.landing === wanted))
        .slice(0, MOST_SHOWN);
    return {
        given: rows.length > 0,
        total: all.length,
        hosts: new Set(all.map((link) => link.source.split('/', 3)[2] ?? '')).size,
        targets: new Set(all.map((link) => link.url)).size,
        counts,
        wanted,
        links: shown,
        most: MOST_SHOWN,
    };
});
