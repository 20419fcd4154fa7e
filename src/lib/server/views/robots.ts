/** *Robots*, for a request: the robots.txt of a host as the survey received it. */
import { robotsView } from '../../core/views/robots.ts';
import { siteView } from '../../core/checks/site-findings.ts';
import { productToken } from '../../core/robots/robots-lines.ts';
import { appStore } from '../app.ts';
import { robotsTexts } from '../received-files.ts';
import { listProposals, robotsElsewhere, type OtherRobots } from '../store/robots-store.ts';
import { checkSettingsIn } from '../site-checks.ts';
import type { RequestContext } from '../request-context.ts';

/** Texts that other surveys received, each once with the surveys that had it; what is the same as here is told by no text. */
function otherTexts(own: string, others: readonly OtherRobots[]) {
    const byText = new Map<string, OtherRobots[]>();
    for (const other of others) byText.set(other.text, [...(byText.get(other.text) ?? []), other]);
    return [...byText].map(([text, surveys]) => ({
        text: text === own ? null : text,
        surveys: surveys.map(({ survey, asOf, startedAt }) => ({ survey, asOf, startedAt })),
    }));
}

export async function showRobots(request: RequestContext, url: URL) {
    const { survey, site } = request;
    const packed = await request.packed();
    const texts = await robotsTexts(appStore().db, survey.id);
    const { token } = survey.settings;
    const view = siteView(packed, {
        goals: site.depthGoals,
        priority: new Uint8Array(packed.count),
        robots: texts,
        settings: await checkSettingsIn(appStore().db, site.id),
    });
    const shown = robotsView(view, {
        origin: url.searchParams.get('host'),
        agent: productToken(url.searchParams.get('agent') ?? '') || token,
        token,
    });
    const { file } = shown;
    if (file === null) return { view: shown, proposal: null, others: [] };
    const { db } = appStore();
    const [proposals, others] = await Promise.all([
        listProposals(db, site.id),
        robotsElsewhere(db, { siteId: site.id, id: survey.id }, file.url),
    ]);
    return {
        view: shown,
        proposal: proposals.find(({ origin }) => origin === file.origin) ?? null,
        others: otherTexts(file.text, others),
    };
}
