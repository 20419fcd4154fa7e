/** *Robots*, for a request: the robots.txt of a host as the survey received it. */
import { robotsView } from '../../core/views/robots.ts';
import { siteView } from '../../core/checks/site-findings.ts';
import { productToken } from '../../core/robots/robots-lines.ts';
import { appStore } from '../app.ts';
import { robotsTexts } from '../received-files.ts';
import { checkSettingsIn } from '../site-checks.ts';
import type { RequestContext } from '../request-context.ts';

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
    return {
        view: robotsView(view, {
            origin: url.searchParams.get('host'),
            agent: productToken(url.searchParams.get('agent') ?? '') || token,
            token,
        }),
    };
}
