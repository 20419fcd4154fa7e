import { countPages } from '$lib/core/areas/count-pages.ts';
import { depthRows, sameRows } from '$lib/core/areas/depth-rows.ts';
import { sinceBaseline } from '$lib/core/areas/since-baseline.ts';
import { jobsOf } from '$lib/core/checks/jobs.ts';
import { once } from '$lib/core/kept.ts';
import { siteMeasures } from '$lib/core/areas/site-measures.ts';
import { misfits } from '$lib/core/sets/misfits.ts';
import { quoted } from '$lib/core/sets/tokens.ts';
import { editWords } from '$lib/core/words/checks.ts';
import { appStore, isEnded, openPacked } from '$lib/server/app.ts';
import { openArea } from '$lib/server/areas.ts';
import { baselineOf } from '$lib/server/current-set.ts';
import { listNotes } from '$lib/server/store/note-store.ts';

const MOST_JOBS = 10;
/** Depths that have a row of their own. */
const SINGLE_DEPTHS = 10;

export async function load({ depends, locals }) {
    depends('edgemap:survey');
    const { site, survey } = locals;
    const { current, packed, counts, within } = await openArea(locals, ['links']);
    const measures = siteMeasures(packed);
    const goal = site.depthGoals.all;
    // While a survey runs everything changes under the reader: jobs are told of what is read.
    const ended = isEnded(survey);
    const { jobs, more } = ended
        ? once(packed, 'jobs', [goal], () => jobsOf(packed, goal, MOST_JOBS))
        : { jobs: [], more: 0 };
    const baseline = ended && survey.settings.spot === null ? await baselineOf(appStore().db, survey) : null;
    const earlier = baseline && (await openPacked(baseline, ['core', 'text']));
    const notes = await listNotes(appStore().db, site.id);
    const { starved, overfed } = misfits(packed, current.priority);
    const inSet = within ? countPages(packed, within) : null;
    const depths = depthRows(counts.depths, SINGLE_DEPTHS);
    return {
        counts: { ...counts, depths: [] },
        depths,
        depthsInSet: inSet && sameRows(inSet.depths, depths),
        inSet: inSet && { ...inSet, depths: [] },
        hasSitemap: packed.head.hasSitemap,
        weight: {
            gini: measures.weight.all.gini,
            leak: measures.leak,
            ranked: measures.ranked,
            starved: starved.length,
            overfed: overfed.length,
            hasPriorities: current.priority.some((value) => value > 0),
        },
        jobs: jobs.map((job) => ({
            severity: job.severity,
            set: job.set,
            pages: job.pages,
            ...editWords(job, job.pages),
        })),
        more,
        notes: notes.map(({ id, about, subject, text, createdAt }) => {
            const isKnown = about === 'page' && packed.nodeOf(subject) !== -1;
            const set = about === 'section' ? `section is ${quoted(subject)}` : about === 'set' ? subject : '';
            return { id, about, subject, text, createdAt, isKnown, set };
        }),
        baseline: baseline && {
            number: baseline.number,
            createdAt: baseline.createdAt,
            asOf: baseline.asOf,
            /** Settings that differ, by name: what changed may be the question, not the site. */
            settings: differing(baseline.settings, survey.settings),
        },
        since: earlier && once(packed, 'since', [baseline.id, baseline.revision], () => sinceBaseline(earlier, packed)),
    };
}

function differing(before: object, after: object): string[] {
    const names = new Set([...Object.keys(before), ...Object.keys(after)]);
    const text = (of: object, name: string): string => JSON.stringify(of[name as keyof typeof of]) ?? '';
    return [...names].filter((name) => name !== 'spot' && name !== 'pins' && text(before, name) !== text(after, name));
}
