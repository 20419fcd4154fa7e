/** Begins to look for proposals for all targets of a set. */
import { by, number } from '../../core/words/numbers.ts';
import { MOST_RUN_TARGETS } from '../../wire/proposal-run.ts';
import { appStore } from '../app.ts';
import type { RequestContext } from '../request-context.ts';
import { needyOf } from './needy.ts';
import { changesOf } from './said.ts';
import { startProposalRun } from '../store/proposal-run-store.ts';

/** @param line of the set; empty for whatever lacks links @returns why not, as a sentence; empty where it has begun */
export async function startRunFor(request: RequestContext, line: string): Promise<string> {
    const { site, survey } = request;
    const current = await request.set(['links'], line);
    if (current.trouble) return `This set cannot be read: ${current.trouble.say}`;
    const within = line.trim() === '' ? null : current.bits;
    const { open: targets } = needyOf(current.survey, within, site, current.priority, await changesOf(site.id));
    if (targets.length === 0) {
        return line.trim() === ''
            ? 'No page lacks links.'
            : 'No page of this set may be indexed: links are proposed to such pages alone.';
    }
    if (targets.length > MOST_RUN_TARGETS) {
        return `${number(targets.length)} ${by(targets.length, 'page', 'pages')} are too many at once: ${number(MOST_RUN_TARGETS)} at most. Choose a smaller set.`;
    }
    await startProposalRun(appStore().db, {
        siteId: site.id,
        surveyId: survey.id,
        revision: survey.revision,
        line: line.trim(),
        targets: targets.map(({ node }) => current.survey.url(node)),
    });
    return '';
}
