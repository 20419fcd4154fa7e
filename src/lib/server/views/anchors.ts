/** The area Anchors, for a request: profiles, same words, targets of proposals, what is laid aside. */
import { urlOfKey } from '../../core/address/page-key.ts';
import { changesSeen } from '../../core/proposals/changes-seen.ts';
import { targetsOf, offeredWanted, type TargetNeed } from '../../core/proposals/targets.ts';
import { anchorsView, PROFILE_ORDERS, sameWordsView, type AnchorsView } from '../../core/views/anchors.ts';
import { ownTitle } from '../../core/subjects/site-names.ts';
import { openArea } from '../areas.ts';
import { appStore } from '../app.ts';
import { linkMarks } from '../link-marks.ts';
import { anchorFits } from '../proposals/anchor-fits.ts';
import { wordIndexOf } from '../proposals/open-words.ts';
import { answersOf, changesOf, saidSubjects } from '../proposals/said.ts';
import type { RequestContext } from '../request-context.ts';

const whole = (value: string | null): number => Math.max(0, Math.trunc(Number(value ?? 0)) || 0);

async function judged(request: RequestContext) {
    const area = await openArea(request, ['text', 'links']);
    const { packed } = area;
    const [words, said] = await Promise.all([
        wordIndexOf(request.survey, packed),
        saidSubjects(request.site.id, packed),
    ]);
    return { ...area, words, said, fits: words && anchorFits(packed, words, said) };
}

export async function showAnchors(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const { packed, within, words, said, fits } = await judged(request);
    const asked = url.searchParams.get('of');
    const order = PROFILE_ORDERS.find((item) => item === url.searchParams.get('order')) ?? 'trouble';
    const of = asked === null ? -1 : packed.nodeOf(urlOfKey(asked, site.start));
    const from = whole(url.searchParams.get('from'));
    const view = anchorsView({ survey: packed, words, fits, said, within, order, from, of });
    const changes = await changesOf(site.id);
    return {
        view,
        lines: await linesOf(request, packed, view),
        laid: changes.filter(({ kind }) => kind !== 'add'),
        laidAside: changes.length,
        surveyNumber: survey.number,
    };
}

/** The line of each place of the chosen profile, in its order. */
async function linesOf(
    { survey }: RequestContext,
    packed: Parameters<typeof linkMarks>[2],
    { chosen }: AnchorsView,
): Promise<(number | null)[][]> {
    const places = chosen?.anchors.flatMap((anchor) => anchor.places) ?? [];
    const marks = await linkMarks(appStore().db, survey.id, packed, places);
    let next = 0;
    return (chosen?.anchors ?? []).map((anchor) => anchor.places.map(() => marks[next++]?.line ?? null));
}

export async function showSameWords(request: RequestContext, url: URL) {
    const { packed, fits } = await judged(request);
    const changes = await changesOf(request.site.id);
    return {
        view: sameWordsView(packed, fits, whole(url.searchParams.get('from'))),
        laidAside: changes.length,
    };
}

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
    const from = whole(url.searchParams.get('from'));
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

export async function showLaidAside(request: RequestContext) {
    const changes = await changesOf(request.site.id);
    const packed = await request.packed(['text', 'links']);
    const sees = changesSeen(packed);
    return {
        changes: changes.map((change) => ({
            ...change,
            isKnown: packed.nodeOf(change.page) !== -1,
            isSeen: sees(change),
        })),
        laidAside: changes.length,
    };
}
