/** Why a page stops at a gate, or gave no answer: from the facts of a packed survey. Needs `core` and `text`. */
import { once } from '../kept.ts';
import { GATES, isRedirectStatus, type Gate } from '../gates/gates.ts';
import { problem, readProblem, readProblems, type Problem } from '../problems/problem.ts';
import type { PackedSurvey } from './packed-survey.ts';

/** Columns that hold problems. */
export const PROBLEM_COLUMNS = ['failure', 'type_note', 'body_trouble', 'robots_rule', 'noindex_reason'] as const;
export type ProblemColumn = (typeof PROBLEM_COLUMNS)[number];

/** What a column of problems holds of a page; null for nothing. */
export function problemAt(survey: PackedSurvey, column: ProblemColumn, node: number): Problem | null {
    const problems = once(survey, 'problems', [column], () => survey.texts(`${column}_words`).all().map(readProblem));
    return problems[survey.numbers(column)[node]!] ?? null;
}

/** What is wrong with markup, by the numbers of the column `markup`: each text of it read once. */
export function markupProblems(survey: PackedSurvey): readonly (readonly Problem[])[] {
    return once(survey, 'markup', [], () => survey.texts('markup_words').all().map(readProblems));
}

/** Why a page fails a gate, from the facts the gates look at; by itself the gate it stops at. */
export function gateReason(
    survey: PackedSurvey,
    node: number,
    gate: Gate | undefined = GATES[survey.numbers('gate')[node]!],
): Problem | null {
    const to = (address: number): string => survey.addressUrl(address);
    const status = survey.numbers('status')[node]!;
    const redirect = survey.numbers('redirect')[node]!;
    switch (gate) {
        case 'scope':
            return problem('not-of-the-site', {});
        case 'robots':
            return problemAt(survey, 'robots_rule', node);
        case 'response':
            return (
                problemAt(survey, 'failure', node) ??
                (isRedirectStatus(status) ? problem('no-location', { status }) : problem('status', { status }))
            );
        case 'redirect':
            return redirect >= 0
                ? problem('redirects', { status, to: to(redirect) })
                : problem('refreshes', { to: to(survey.numbers('refresh')[node]!) });
        case 'type':
            return problem('type', { type: survey.word('content_type', node) });
        case 'noindex':
            return problemAt(survey, 'noindex_reason', node);
        case 'canonical':
            return problem('canonical-elsewhere', {
                to: to(survey.numbers('canonical')[survey.numbers('canonical_start')[node]!]!),
            });
        default:
            return null;
    }
}
