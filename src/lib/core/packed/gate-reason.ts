/** Why a page stops at a gate, or gave no answer: in words, from the facts of a packed survey. Needs `core` and `text`. */
import { GATES, isRedirectStatus, type Gate } from '../gates/gates.ts';
import type { FactName } from './column-names.ts';
import type { PackedSurvey } from './packed-survey.ts';

const told = (survey: PackedSurvey, column: FactName, node: number): string =>
    survey.texts(`${column}_words`).at(survey.numbers(column)[node]!);

/** Why asking for a page gave no answer; empty where it did. */
export function failureOf(survey: PackedSurvey, node: number): string {
    return told(survey, 'failure', node);
}

/** Why a page fails a gate, in words, from the facts the gates look at; by itself the gate it stops at. */
export function gateReason(
    survey: PackedSurvey,
    node: number,
    gate: Gate | undefined = GATES[survey.numbers('gate')[node]!],
): string {
    const to = (address: number): string => survey.addressUrl(address);
    const status = survey.numbers('status')[node]!;
    const redirect = survey.numbers('redirect')[node]!;
    switch (gate) {
        case 'scope':
            return 'does not belong to the site';
        case 'robots':
            return told(survey, 'robots_rule', node);
        case 'response':
            if (failureOf(survey, node) !== '') return failureOf(survey, node);
            return isRedirectStatus(status) ? `status ${status} without a usable Location` : `status ${status}`;
        case 'redirect':
            return redirect >= 0
                ? `${status} to ${to(redirect)}`
                : `refresh without delay to ${to(survey.numbers('refresh')[node]!)}`;
        case 'type':
            return told(survey, 'content_type', node) || 'no content type';
        case 'noindex':
            return told(survey, 'noindex_reason', node);
        case 'canonical': {
            const first = survey.numbers('canonical')[survey.numbers('canonical_start')[node]!]!;
            return `points at ${to(first)}`;
        }
        default:
            return '';
    }
}
