/**
 * What a survey cannot claim, and why: what was known and not read, what was not read to its end, what nobody gave.
 * Codes and numbers; the sentences are in `core/words/limits.ts`.
 */
import type { Evidence } from '../evidence/evidence.ts';
import type { FactName } from '../packed/column-names.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { readProblems } from '../problems/problem.ts';
import type { Limit } from '../words/limit-params.ts';

/** Reasons for which a URL was left, each with a limit of its own; for all others it gave no answer. */
const LEFT: Record<string, 'closed-by-robots' | 'families-closed' | 'actions-left' | 'known-later' | null> = {
    robots: 'closed-by-robots',
    trap: 'families-closed',
    action: 'actions-left',
    later: 'known-later',
    // The survey says by itself that it was cut short.
    limit: null,
    stopped: null,
    waiting: null,
};

/**
 * Needs the parts `core` and `text`. O(nodes).
 * @param reasons why URLs were not read, and how many
 * @param notGiven evidence from outside that nobody gave
 */
export function limitsOf(
    survey: PackedSurvey,
    reasons: readonly { reason: string; urls: number }[],
    notGiven: readonly Evidence[],
): Limit[] {
    const { head } = survey;
    const limits: Limit[] = [];
    if (!head.complete) limits.push({ code: 'cut-short', params: { cut: head.cut, state: head.state } });
    for (const code of ['closed-by-robots', 'families-closed', 'actions-left', 'known-later'] as const) {
        const urls = reasons.find(({ reason }) => LEFT[reason] === code)?.urls ?? 0;
        if (urls > 0) limits.push({ code, params: { urls } });
    }
    const unanswered = reasons.filter(({ reason }) => LEFT[reason] === undefined);
    const urls = unanswered.reduce((sum, item) => sum + item.urls, 0);
    if (urls > 0) limits.push({ code: 'no-answer', params: { urls } });
    limits.push(...caveatsOf(survey));
    if (!head.hasSitemap) limits.push({ code: 'no-sitemap', params: {} });
    if (notGiven.length > 0) limits.push({ code: 'not-given', params: { evidence: [...notGiven] } });
    return limits;
}

/**
 * What was not read to its end in a survey that is complete all the same: nothing was left out, but some of what was
 * asked for could not be taken in whole. Needs the parts `core` and `text`. O(nodes).
 */
export function caveatsOf(survey: PackedSurvey): Limit<'documents-given-up' | 'bodies-cut' | 'sitemaps-left'>[] {
    const status = survey.numbers('status');
    const isSaid = (name: FactName, node: number): boolean => survey.word(name, node) !== '';
    let documents = 0;
    let bodies = 0;
    for (let node = 0; node < survey.count; node++) {
        if (status[node] === 0) continue;
        // A URL that answered and failed all the same is a document that could not be read.
        if (isSaid('failure', node)) documents++;
        else if (isSaid('body_trouble', node)) bodies++;
    }
    const limits: ReturnType<typeof caveatsOf> = [];
    if (documents > 0) limits.push({ code: 'documents-given-up', params: { documents } });
    if (bodies > 0) limits.push({ code: 'bodies-cut', params: { bodies } });
    for (const { kind, note, url } of survey.head.files) {
        if (kind !== 'sitemap') continue;
        for (const { code, params } of readProblems(note)) {
            if (code === 'sitemaps-left') limits.push({ code, params: { from: url, ...params } });
        }
    }
    return limits;
}
