import { completenessOf } from '$lib/core/areas/completeness.ts';
import { limitsOf } from '$lib/core/checks/limits.ts';
import { once } from '$lib/core/kept.ts';
import { appStore, isEarlier } from '$lib/server/app.ts';
import { openArea } from '$lib/server/areas.ts';
import { givenEvidence, shownImports } from '$lib/server/evidence-actions.ts';
import { readProgress } from '$lib/server/store/job-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_SECTIONS = 40;
const MOST_LOST = 50;

export const load = lookedAt(async ({ locals }) => {
    const { packed, counts } = await openArea(locals);
    const given = await givenEvidence(locals.survey);
    const complete = once(packed, 'completeness', [[...given].sort().join(' ')], () => completenessOf(packed, given));
    // What is closed now may have been open then.
    const { progress } = isEarlier(locals.survey)
        ? { progress: null }
        : await readProgress(appStore().db, locals.survey.id);
    const bare = (await shownImports(locals.survey)).flatMap((item) =>
        item.bare ? [{ kind: item.kind, name: item.name, ...item.bare }] : [],
    );
    return {
        cannotClaim: limitsOf(packed, complete.notRead, complete.notAsked),
        complete: {
            ...complete,
            sections: complete.sections.slice(0, MOST_SECTIONS),
            folders: complete.folders.slice(0, MOST_SECTIONS),
            moreSections: Math.max(0, complete.sections.length - MOST_SECTIONS),
            lost: complete.lost.slice(0, MOST_LOST),
        },
        families: (progress?.families ?? []).filter((family) => family.state === 'closed'),
        bare,
        counts: { known: counts.known, read: counts.read, pages: counts.pages, reached: counts.reached },
    };
});
