/** What the register tells of a survey and of a page, in words. */
import { causesOf } from '$lib/core/checks/causes.ts';
import type { CheckView } from '$lib/core/checks/check.ts';
import { pageFindings as findings } from '$lib/core/checks/page-findings.ts';
import { CHECKS } from '$lib/core/checks/register.ts';
import { linkGraphOf } from '$lib/core/packed/link-graph.ts';
import { siteView, type PlacedFinding, type SiteSays } from '$lib/core/checks/site-findings.ts';
import type { PackedSurvey } from '$lib/core/packed/packed-survey.ts';
import { causeWords, followsWords } from '$lib/core/words/causes.ts';
import { findingSentence, moreLinksSentence } from '$lib/core/words/checks.ts';

export const NO_GOALS = { all: null, first: null, second: null, third: null };

/** A survey as its checks look at it: nothing is said of it but what is given. */
export function checkView(survey: PackedSurvey, said: Partial<SiteSays> = {}): CheckView {
    return siteView(survey, { goals: NO_GOALS, priority: new Uint8Array(survey.count), ...said });
}

/** The same, with one depth goal for all pages. */
export function withGoal(survey: PackedSurvey, goal: number | null): CheckView {
    return checkView(survey, { goals: { ...NO_GOALS, all: goal } });
}

/** Open causes, worded as *Fix once* has them: what follows first is their effect. */
export function causesTold(view: CheckView) {
    return causesOf(view).open.map((cause) => {
        const { check, pages, set } = cause.follows[0]!;
        return {
            ...cause,
            ...causeWords(cause.cause, cause),
            check,
            pages,
            effect: followsWords(check, pages),
            line: set,
        };
    });
}

export function pageFindings(survey: PackedSurvey, node: number, goal: number | null) {
    const { findings: found, moreLinks } = findings(withGoal(survey, goal), node);
    const told = found.map(({ finding }) => ({ ...finding, say: findingSentence(finding) }));
    const more = { severity: 'remark' as const, say: moreLinksSentence(moreLinks), place: null };
    return moreLinks > 0 ? [...told, more] : told;
}

/** URLs a finding is about: a page, what a link leads to, or of a single link every page with the list it stands in. */
export function nodesAbout(survey: PackedSurvey, { finding, node, to }: PlacedFinding): number[] {
    const { ofTarget, ofLink } = CHECKS.find(({ id }) => id === finding.check)!;
    if (ofTarget) return [survey.nodeOf(to)];
    if (!ofLink || !finding.place) return [node];
    const { isPage, pageStart, pageBlocks, blockList } = linkGraphOf(survey);
    const listAt = (pageBlock: number): number => blockList[pageBlocks[pageBlock]!]!;
    const list = listAt(finding.place.pageBlock);
    const blocksOf = (page: number): number[] =>
        Array.from({ length: pageStart[page + 1]! - pageStart[page]! }, (_, at) => pageStart[page]! + at);
    return Array.from({ length: survey.count }, (_, page) => page).filter(
        (page) => isPage[page] === 1 && blocksOf(page).some((pageBlock) => listAt(pageBlock) === list),
    );
}
