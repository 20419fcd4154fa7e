/** The targets of *Proposals*, for a request: which pages lack links, and how far the work is. */
import { urlOfKey } from '../../core/address/page-key.ts';
import { offeredWanted, type TargetNeed } from '../../core/proposals/targets.ts';
import { ownTitle } from '../../core/subjects/site-names.ts';
import { openArea } from '../areas.ts';
import { windowOf } from '../current-set.ts';
import { appStore } from '../app.ts';
import { foundOfRun, latestProposalRun } from '../store/proposal-run-store.ts';
import { needyOf } from '../proposals/needy.ts';
import { answersOf, changesOf, subjectsOf } from '../proposals/said.ts';
import type { RequestContext } from '../request-context.ts';

/** Targets shown at a time. */
const MOST_TARGETS = 100;

export async function showProposals(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const { packed, within, current } = await openArea(request, ['text', 'links']);
    const [changes, subjects, answers, run] = await Promise.all([
        changesOf(site.id),
        subjectsOf(site.id),
        answersOf(site.id),
        latestProposalRun(appStore().db, survey),
    ]);
    const found = run === null ? null : await foundOfRun(appStore().db, run.id);
    const adds = changes.filter(({ kind }) => kind === 'add');
    const { open: targets, covered, takenOf } = needyOf(packed, within, site, current.priority, changes);
    const isByFound = found !== null && url.searchParams.get('order') === 'found';
    if (isByFound) {
        const scoreOf = ({ node }: TargetNeed): number => found.get(packed.url(node))?.score ?? 0;
        targets.sort((a, b) => scoreOf(b) - scoreOf(a));
    }
    const shown = ({ node, has, wanted, isOrphan }: TargetNeed) => ({
        url: packed.url(node),
        title: ownTitle(packed, node),
        has,
        wanted,
        isOrphan,
        taken: takenOf(node),
        /** Sentences that the last run found; null for what it did not look at. */
        sentences: found?.get(packed.url(node))?.sentences ?? null,
    });
    const from = windowOf(url.searchParams).from;
    const orphans = targets.filter(({ isOrphan }) => isOrphan).length;
    return {
        targets: targets.slice(from, from + MOST_TARGETS).map(shown),
        total: targets.length,
        /** Of them as many links are taken as they lack: they wait for the site. */
        covered: covered.slice(0, MOST_TARGETS).map(shown),
        from,
        run,
        isByFound,
        /** Of sets only: those of pages stand with them, and may be many. */
        subjects: subjects.filter(({ by }) => by === 'set'),
        most: MOST_TARGETS,
        orphans,
        wanted: site.wantedLinks,
        offered: offeredWanted(packed, current.priority),
        taken: adds.length,
        takenPages: new Set(adds.map(({ newTarget }) => newTarget)).size,
        refused: answers.filter(({ answer }) => answer === 'refused').length,
        later: answers.filter(({ answer }) => answer === 'later').length,
        laidAside: changes.length,
        of: url.searchParams.get('of') === null ? null : urlOfKey(url.searchParams.get('of')!, site.start),
        /** A page whose own text is looked at. */
        text: url.searchParams.get('text') === null ? null : urlOfKey(url.searchParams.get('text')!, site.start),
        isComplete: packed.head.complete,
        surveyNumber: survey.number,
    };
}
