import { countPages } from '$lib/core/areas/count-pages.ts';
import { depthRows, sameRows } from '$lib/core/areas/depth-rows.ts';
import { beyondGoal, followedDepths, islandsOf, offeredGoal } from '$lib/core/areas/reach.ts';
import { siteMeasures } from '$lib/core/areas/site-measures.ts';
import { templateWords } from '$lib/core/areas/template-list.ts';
import { appStore } from '$lib/server/app.ts';
import { openArea } from '$lib/server/areas.ts';
import { readProgress } from '$lib/server/store/job-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_CHOKE_POINTS = 10;
const MOST_TEMPLATES = 6;
const MOST_ISLANDS = 6;
const MOST_FAMILIES = 8;
/** Depths that have a row of their own. */
const SINGLE_DEPTHS = 20;

export const load = lookedAt(async ({ url, locals }) => {
    const { current, packed, counts, within } = await openArea(locals, ['links']);
    const followed = url.searchParams.get('links') === 'followed';
    const depth = followed ? followedDepths(packed) : undefined;
    const shown = followed ? countPages(packed, undefined, depth) : counts;
    const measures = siteMeasures(packed);
    const goals = locals.site.depthGoals;
    const offered = offeredGoal(packed);
    const islands = islandsOf(packed);
    const rows = depthRows(shown.depths, SINGLE_DEPTHS);
    const inSet = within ? countPages(packed, within, depth) : null;
    const { progress } = await readProgress(appStore().db, locals.survey.id);
    const closed = (progress?.families ?? []).filter(({ state }) => state === 'closed');
    return {
        counts: { ...counts, depths: [] },
        followed,
        depths: rows,
        depthsInSet: inSet && sameRows(inSet.depths, rows),
        /** Pages deeper than the goal that is offered. */
        deep: offered === null ? 0 : shown.depths.slice(offered + 1).reduce((pages, band) => pages + band.pages, 0),
        meanDepth: shown.meanDepth,
        inSet: inSet && { ...inSet, depths: [] },
        orphansInSet: within ? (countPages(packed, within).orphans?.all ?? null) : null,
        hasSitemap: packed.head.hasSitemap,
        complete: packed.head.complete,
        chokePoints: measures.chokePoints.slice(0, MOST_CHOKE_POINTS),
        chokeTotal: measures.chokePoints.length,
        templates: measures.templates.slice(0, MOST_TEMPLATES).map((template) => ({
            name: template.name,
            words: templateWords(packed, packed.measured.templates.indexOf(template)),
            pages: template.pages,
            holds: template.holds,
        })),
        heldByOneLink: measures.heldByOneLink,
        thinHolds: measures.thinHolds,
        listingOnly: sum(packed.numbers('listing_only')),
        declineOnly: sum(packed.numbers('decline_only')),
        islands: islands.slice(0, MOST_ISLANDS),
        islandTotal: islands.length,
        inIslands: islands.reduce((pages, island) => pages + island.pages, 0),
        goals,
        offered,
        beyond: (
            [
                ['all', goals.all],
                ['1', goals.first],
                ['2', goals.second],
                ['3', goals.third],
            ] as const
        ).flatMap(([whom, goal]) => {
            if (goal === null) return [];
            const { all, byPriority } = beyondGoal(packed, goal, current.priority);
            return [{ whom, goal, pages: whom === 'all' ? all : byPriority[Number(whom) as 1 | 2 | 3] }];
        }),
        families: closed.slice(0, MOST_FAMILIES),
        familyTotal: closed.length,
    };
});

function sum(values: ArrayLike<number>): number {
    let total = 0;
    for (let at = 0; at < values.length; at++) total += values[at]!;
    return total;
}
