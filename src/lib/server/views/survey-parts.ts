/** How a survey was read, for a request: completeness, sitemaps, links from other sites, other hosts, progress, evidence. */
import { storedWords } from '../../core/words/problems.ts';
import { DEFAULT_ROBOT_WORDS } from '../../core/evidence/robot-agents.ts';
import { completenessView } from '../../core/views/completeness.ts';
import { bareCounts, evidenceView } from '../../core/views/evidence.ts';
import { sitemapsView } from '../../core/views/sitemaps.ts';
import { hostsView } from '../../core/views/hosts.ts';
import { linksInView } from '../../core/views/links-in.ts';
import { appStore, isEarlier } from '../app.ts';
import { openArea } from '../areas.ts';
import { lastKnock } from '../door-actions.ts';
import { givenEvidence, listsOf, shownLists } from '../evidence-actions.ts';
import { checkViewOf } from '../findings.ts';
import type { RequestContext } from '../request-context.ts';
import { listRevisions } from '../store/evidence-store.ts';
import { sitemapIndexes } from '../received-files.ts';
import { progressIn } from '../progress.ts';

export async function showCompleteness(request: RequestContext) {
    const { survey } = request;
    const { packed, counts } = await openArea(request);
    // What is closed now may have been open then.
    const { progress } = isEarlier(survey) ? { progress: null } : await progressIn(appStore().db, survey.id);
    return {
        view: completenessView(packed, await givenEvidence(survey)),
        families: (progress?.families ?? []).filter((family) => family.state === 'closed'),
        bare: bareCounts(await shownLists(survey)),
        counts: { known: counts.known, read: counts.read },
    };
}

export async function showSitemaps(request: RequestContext) {
    const [view, indexes] = await Promise.all([checkViewOf(request), sitemapIndexes(appStore().db, request.survey.id)]);
    return { view: sitemapsView(view, indexes) };
}

export async function showHosts(request: RequestContext) {
    const packed = await request.packed(['core', 'text', 'links']);
    return hostsView(packed, request.survey.settings.externals === 'check');
}

export async function showLinksIn(request: RequestContext, url: URL) {
    const lists = (await listsOf(request.survey)).filter(({ kind }) => kind === 'external');
    const rows = lists.flatMap((item) => item.rows);
    return { view: linksInView(await request.packed(), rows, url.searchParams.get('landing')) };
}

export async function showProgress({ survey }: RequestContext) {
    // The knock that came before its pages were read; a later one says nothing of this survey.
    const [progress, knock] = await Promise.all([
        progressIn(appStore().db, survey.id),
        lastKnock(survey.siteId, survey.endedAt ?? Infinity),
    ]);
    return { ...progress, knock };
}

export async function showEvidence({ survey }: RequestContext) {
    const revisions = await listRevisions(appStore().db, survey.id);
    return {
        isEarlier: isEarlier(survey),
        view: evidenceView(await shownLists(survey)),
        robotWords: [...DEFAULT_ROBOT_WORDS],
        revisions: revisions.map(({ number, at, why }) => ({ number, at, why: storedWords(why) })),
    };
}
