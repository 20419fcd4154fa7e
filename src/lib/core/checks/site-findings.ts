/** What the register finds of a whole site: one finding a page, or a link; of links in templates one a template. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isKnown, type CheckView, type FileFinding, type Finding, type RobotsText } from './check.ts';
import { goalOfPriority, type DepthGoalValues } from './depth-goals.ts';
import { CHECKS } from './register.ts';

/** A finding with where it is. */
export interface PlacedFinding {
    finding: Finding;
    /** The page it is about, or on which the link stands: of a template the first that carries it. */
    node: number;
    /** The page that the link leads to; -1 where it is about no link. */
    target: number;
    /** Number of the template that holds the link; -1 for a link of one page. */
    template: number;
    /** Pages concerned: 1 but for templates. */
    pages: number;
}

/**
 * @param priority of each page, 0 for none: the depth goal of a page goes by it
 * @param robots the robots.txt files of the site; empty where only pages are asked about
 */
export function siteView(
    survey: PackedSurvey,
    goals: DepthGoalValues,
    priority: Uint8Array,
    robots: readonly RobotsText[],
): CheckView {
    return { survey, robots, goal: goals.all, goalOf: (node) => goalOfPriority(goals, priority[node]!) };
}

/** What is found of files: check by check in the order of the register. */
export function fileFindings(view: CheckView): FileFinding[] {
    return CHECKS.filter((check) => isKnown(check, view.survey)).flatMap(({ ofFiles }) => ofFiles?.(view) ?? []);
}

/**
 * All findings of pages and links, check by check in the order of the register, pages in the order of their URLs. Needs all parts. What a
 * survey cannot know is not told. O(checks · nodes + link occurrences outside templates).
 */
export function* siteFindings(view: CheckView): Generator<PlacedFinding> {
    const { survey } = view;
    const checks = CHECKS.filter((check) => isKnown(check, survey));
    for (const { ofPage } of checks) {
        if (ofPage === null) continue;
        const tells = ofPage(view);
        for (let node = 0; node < survey.count; node++) {
            const finding = tells(node);
            if (finding) yield { finding, node, target: -1, template: -1, pages: 1 };
        }
    }
    const ofTarget = checks.flatMap(({ ofTarget: tells }) => (tells ? [tells(view)] : []));
    if (ofTarget.length > 0) yield* linkFindings(survey, ofTarget);
}

function* linkFindings(
    survey: PackedSurvey,
    checks: readonly ((target: number) => Finding | null)[],
): Generator<PlacedFinding> {
    const { isPage, pageStart, pageBlocks, blockTemplate, blockList, listStart, target, kind } = linkGraphOf(survey);
    // Most targets are in order: only links to the others are looked at.
    const found = new Map<number, Finding[]>();
    for (let node = 0; node < survey.count; node++) {
        const findings = checks.flatMap((tells) => tells(node) ?? []);
        if (findings.length > 0) found.set(node, findings);
    }
    if (found.size === 0) return;
    /** Targets with findings that the links of a list lead to, each with its first place; made once a list. */
    const lists = new Map<number, { to: number; at: number }[]>();
    const targetsOf = (list: number): { to: number; at: number }[] => {
        let targets = lists.get(list);
        if (targets === undefined) {
            const first = new Map<number, number>();
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] === 0 && found.has(to) && !first.has(to)) first.set(to, link - listStart[list]!);
            }
            targets = [...first].map(([to, at]) => ({ to, at }));
            lists.set(list, targets);
        }
        return targets;
    };
    const told = new Set<string>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        const seen = new Set<number>([node]);
        for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
            const block = pageBlocks[pageBlock]!;
            const template = blockTemplate[block]!;
            for (const { to, at } of targetsOf(blockList[block]!)) {
                if (seen.has(to)) continue;
                seen.add(to);
                if (template !== -1) {
                    const key = `${template} ${to}`;
                    if (told.has(key)) continue;
                    told.add(key);
                }
                const pages = template === -1 ? 1 : survey.measured.templates[template]!.pages;
                for (const finding of found.get(to)!) {
                    const placed = { ...finding, place: { pageBlock, at } };
                    yield { finding: placed, node, target: to, template, pages };
                }
            }
        }
    }
}
