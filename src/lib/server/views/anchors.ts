/** The area Anchors, for a request: profiles, same words, what is laid aside. */
import { urlOfKey } from '../../core/address/page-key.ts';
import { changesSeen } from '../../core/proposals/changes-seen.ts';
import { anchorsView, PROFILE_ORDERS, type AnchorsView } from '../../core/views/anchors.ts';
import { sameWordsView } from '../../core/views/same-words.ts';
import { openArea } from '../areas.ts';
import { windowOf } from '../current-set.ts';
import { appStore } from '../app.ts';
import { linkMarks } from '../link-marks.ts';
import { judgedAnchors } from '../proposals/judged-anchors.ts';
import { changesOf } from '../proposals/said.ts';
import type { RequestContext } from '../request-context.ts';

async function judged(request: RequestContext) {
    const area = await openArea(request, ['text', 'links']);
    return { ...area, ...(await judgedAnchors(request)) };
}

export async function showAnchors(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const { packed, within, words, said, generic, fits } = await judged(request);
    const asked = url.searchParams.get('of');
    const order = PROFILE_ORDERS.find((item) => item === url.searchParams.get('order')) ?? 'trouble';
    const of = asked === null ? -1 : packed.nodeOf(urlOfKey(asked, site.start));
    const from = windowOf(url.searchParams).from;
    const view = anchorsView({ survey: packed, words, fits, said, generic, within, order, from, of });
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
    const { packed, fits, generic } = await judged(request);
    const changes = await changesOf(request.site.id);
    return {
        view: sameWordsView(packed, fits, windowOf(url.searchParams).from, generic),
        laidAside: changes.length,
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
