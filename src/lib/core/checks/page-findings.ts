/** What the register finds of one page. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isKnown, SEVERITIES, type CheckView, type Finding, type FindingPlace } from './check.ts';
import { CHECKS } from './register.ts';

/** Links that are told one by one. */
const MOST_LINKS = 6;

export interface PageFindings {
    /** The worst first. */
    findings: Finding[];
    /** Links that a check found something of, beyond those told. */
    moreLinks: number;
}

/** @param goal depth goal of the page; null for none. Needs all parts. O(links of the page). */
export function pageFindings(survey: PackedSurvey, node: number, goal: number | null): PageFindings {
    const view: CheckView = { survey, robots: [], goal, goalOf: () => goal };
    const checks = CHECKS.filter((check) => isKnown(check, survey));
    const ofPage = checks.flatMap(({ ofPage }) => ofPage?.(view)(node) ?? []);
    const ofTarget = checks.flatMap(({ ofTarget }) => (ofTarget ? [ofTarget(view)] : []));
    const links: Finding[] = [];
    let moreLinks = 0;
    // Links in the order they stand, whichever check found them.
    for (const { to, place } of targetsOf(survey, node)) {
        for (const tells of ofTarget) {
            const finding = tells(to);
            if (finding === null) continue;
            if (links.length < MOST_LINKS) links.push({ ...finding, place });
            else moreLinks++;
        }
    }
    const findings = [...ofPage, ...links];
    findings.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
    return { findings, moreLinks };
}

/** Targets of a page's links on the site, each once with its first place, in the order they stand. */
function* targetsOf(survey: PackedSurvey, node: number): Generator<{ to: number; place: FindingPlace }> {
    const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    if (isPage[node] !== 1) return;
    const seen = new Set<number>([node]);
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const list = blockList[pageBlocks[at]!]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] !== 0 || to < 0 || to >= survey.count || seen.has(to)) continue;
            seen.add(to);
            yield { to, place: { pageBlock: at, at: link - listStart[list]! } };
        }
    }
}
