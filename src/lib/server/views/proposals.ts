/** The targets of *Proposals*, for a request: which pages lack links, and how far the work is. */
import { urlOfKey } from '../../core/address/page-key.ts';
import { offeredWanted, targetsOf, type TargetNeed } from '../../core/proposals/targets.ts';
import { ownTitle } from '../../core/subjects/site-names.ts';
import { openArea } from '../areas.ts';
import { windowOf } from '../current-set.ts';
import { answersOf, changesOf } from '../proposals/said.ts';
import type { RequestContext } from '../request-context.ts';

/** Targets shown at a time. */
const MOST_TARGETS = 100;

export async function showProposals(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const { packed, within, current } = await openArea(request, ['text', 'links']);
    const [changes, answers] = await Promise.all([changesOf(site.id), answersOf(site.id)]);
    const adds = changes.filter(({ kind }) => kind === 'add');
    const takenFor = new Map<string, number>();
    for (const { newTarget } of adds) takenFor.set(newTarget, (takenFor.get(newTarget) ?? 0) + 1);
    const all = targetsOf(packed, within, site.wantedLinks, current.priority);
    const takenOf = (node: number): number => takenFor.get(packed.url(node)) ?? 0;
    const isCovered = ({ node, has, wanted }: TargetNeed): boolean =>
        takenOf(node) > 0 && (wanted === null || has + takenOf(node) >= wanted);
    const targets = all.filter((target) => !isCovered(target));
    const shown = ({ node, has, wanted, isOrphan }: TargetNeed) => ({
        url: packed.url(node),
        title: ownTitle(packed, node),
        has,
        wanted,
        isOrphan,
        taken: takenOf(node),
    });
    const from = windowOf(url.searchParams).from;
    const orphans = targets.filter(({ isOrphan }) => isOrphan).length;
    return {
        targets: targets.slice(from, from + MOST_TARGETS).map(shown),
        total: targets.length,
        /** Of them as many links are taken as they lack: they wait for the site. */
        covered: all.filter(isCovered).slice(0, MOST_TARGETS).map(shown),
        from,
        most: MOST_TARGETS,
        orphans,
        wanted: site.wantedLinks,
        offered: offeredWanted(packed, current.priority),
        taken: adds.length,
        takenPages: takenFor.size,
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
