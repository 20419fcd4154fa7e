/** Whether a survey can begin at its start page, and where it really begins when that redirects. */
import { isHtmlType } from '../../core/gates/gates.ts';
import { problem, readProblem, type Problem } from '../../core/problems/problem.ts';
import type { SettledPage } from './earlier-run.ts';

/** It can begin here (`null`), goes on at another address, or cannot begin: why. */
export type StartVerdict = { goOnAt: number } | Problem | null;

/**
 * @param page the start page, or what it led to, as it was settled
 * @param called it was typed in, not led to
 * @param urlOf URL of an address
 * @param isInternal whether an address belongs to the site
 * @param token our product token, for naming the agent
 */
export function judgeStart(
    page: SettledPage,
    called: boolean,
    site: { urlOf: (id: number) => string; isInternal: (id: number) => boolean; token: string },
): StartVerdict {
    const start = { url: site.urlOf(page.address), isFirst: called };
    const failure = readProblem(page.failure);
    if (page.notRead === 'robots') {
        const rule = readProblem(page.robotsRule);
        return problem('start-closed', { ...start, token: site.token, rule });
    }
    if (page.notRead === 'action' || page.notRead === 'trap') return problem('start-left', start);
    if (failure !== null && page.status === null) return problem('start-unanswered', { ...start, why: failure });
    if (page.redirectTo !== null) {
        if (site.isInternal(page.redirectTo)) return { goOnAt: page.redirectTo };
        return problem('start-elsewhere', { ...start, to: site.urlOf(page.redirectTo) });
    }
    if (page.status !== 200) return problem('start-status', { ...start, status: page.status ?? 0 });
    if (!isHtmlType(page.contentType)) return problem('start-type', { ...start, type: page.contentType });
    if (failure !== null) return problem('start-unreadable', { ...start, why: failure });
    return null;
}
