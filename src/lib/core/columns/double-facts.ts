/** Pages that have a text in common with others: equal ones have the same number of a group, -1 is none. */
import { groupsOf, nearDoubles } from '../doubles/near-doubles.ts';
import type { PageRow } from '../survey/survey-rows.ts';
import type { SurveyFacts } from './survey-facts.ts';

/** Pages with an equal text, by what is asked of their address; what is no page, or has none, is in no group. */
export function sameBy(
    { addressIds, isPage }: SurveyFacts,
    of: (id: number) => string | undefined,
): ReturnType<typeof groupsOf> {
    return groupsOf(Array.from(addressIds, (id, node) => (isPage[node] === 1 ? of(id) || null : null)));
}

/** Pages with an equal text in a column, in any case and without outer space. */
export function sameText(facts: SurveyFacts, of: (page: PageRow) => string): ReturnType<typeof groupsOf> {
    const keys = facts.pages.map((page, node) =>
        facts.isPage[node] === 1 && page !== null ? of(page).trim().toLowerCase() || null : null,
    );
    return groupsOf(keys);
}

/** Pages whose main texts are nearly the same. */
export function nearText({ addressIds, isPage, texts }: SurveyFacts): ReturnType<typeof nearDoubles> {
    return nearDoubles(
        Array.from(addressIds, (id, node) => (isPage[node] === 1 ? (texts.main.get(id)?.signature ?? null) : null)),
    );
}
