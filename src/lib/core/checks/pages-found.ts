/** Of which pages something is found: what a set asks for. */
import { judgedAs } from '../areas/as-agent.ts';
import { Bits } from '../sets/bits.ts';
import type { Sought } from '../sets/set-expression.ts';
import { SEVERITIES, type CheckView } from './check.ts';
import { foundOf, type Found } from './found.ts';
import { eachAbout, eachPlace } from './found-places.ts';
import { CHECKS } from './register.ts';

/**
 * Pages of which something is found: by one check, of one severity, of one cause, or among what is accepted. Of links the
 * pages they stand on, but of a cause as such what the links lead to, where that is a page of the site. What is accepted is found only where it is asked for;
 * what the survey cannot know is found of none. Needs all parts. O(findings + link occurrences).
 */
export function pagesFound(view: CheckView, sought: Sought): Bits {
    const { survey } = view;
    if (sought.kind === 'agent') return differingFor(view, sought.token);
    const all = foundOf(view);
    const isMeant = meant(all, sought);
    const pages = new Bits(survey.count);
    const each = sought.kind === 'cause' ? eachAbout : eachPlace;
    each(survey, all, isMeant, (_, node) => pages.add(node));
    return pages;
}

/** URLs that another agent is stopped at elsewhere, or nowhere. O(URLs · rules) */
function differingFor({ survey, robots }: CheckView, token: string): Bits {
    const { gate } = judgedAs(survey, robots, token);
    const ours = survey.numbers('gate');
    const differing = new Bits(survey.count);
    for (let node = 0; node < survey.count; node++) if (gate[node] !== ours[node]) differing.add(node);
    return differing;
}

/** Which rows are asked for. */
function meant(found: Found, sought: Exclude<Sought, { kind: 'agent' }>): (row: number) => boolean {
    const keyOf = (row: number): string => found.causes[found.cause[row]!]!.key;
    const idOf = (row: number): string => CHECKS[found.check[row]!]!.id;
    const isOpen = (row: number): boolean => found.accepted[row] === 0;
    switch (sought.kind) {
        case 'finding': {
            const { check, cause } = sought;
            return (row) => isOpen(row) && idOf(row) === check && (cause === null || keyOf(row) === cause);
        }
        case 'found': {
            const severity = SEVERITIES.indexOf(sought.severity);
            return (row) => isOpen(row) && found.severity[row] === severity;
        }
        case 'cause':
            return (row) => isOpen(row) && keyOf(row) === sought.key;
        case 'accepted':
            return (row) => !isOpen(row) && (idOf(row) === sought.what || keyOf(row) === sought.what);
    }
}
