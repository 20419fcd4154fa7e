/** What the register finds of a whole site: one finding a page, or a link; of links in templates one a template. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import {
    isSameSort,
    type CheckView,
    type Finding,
    type FindingPlace,
    type LinkSort,
    type RobotsText,
} from './check.ts';
import { goalOfPriority, type DepthGoalValues } from './depth-goals.ts';
import { findingsAt, foundOf, LINK_SORTS } from './found.ts';
import { eachLinkedPair } from './linked-pairs.ts';
import { CHECKS } from './register.ts';
import { REGISTER_SETTINGS, settingsText, type CheckSettings } from './settings.ts';

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
    /** Key of what it follows from. */
    cause: string;
    isAccepted: boolean;
}

export interface SiteSays {
    goals: DepthGoalValues;
    /** Of each page, 0 for none: the depth goal of a page goes by it. */
    priority: Uint8Array;
    /** The robots.txt files of the site; empty where only pages are asked about. */
    robots: readonly RobotsText[];
    settings: CheckSettings;
}

/** A survey with what its site says, as the checks look at it. */
export function siteView(
    survey: PackedSurvey,
    { goals, priority, robots, settings }: Partial<SiteSays> & Pick<SiteSays, 'goals' | 'priority'>,
): CheckView {
    const own = settings ?? REGISTER_SETTINGS;
    let sum = 0;
    for (let node = 0; node < priority.length; node++) {
        if (priority[node] !== 0) sum = (Math.imul(sum, 31) + node * 4 + priority[node]!) | 0;
    }
    return {
        survey,
        robots: robots ?? [],
        priorityOf: (node) => priority[node]!,
        goalOf: (node) => goalOfPriority(goals, priority[node]!),
        settings: own,
        basis: `${JSON.stringify(goals)} ${sum} ${settingsText(own)}`,
    };
}

/**
 * All findings of pages and links: those of pages check by check in the order of the register, then those of links in the
 * order of the pages they stand on. Needs all parts. What a survey cannot know is not told. O(findings + link occurrences).
 */
export function* siteFindings(view: CheckView): Generator<PlacedFinding> {
    const found = foundOf(view);
    const findingAt = findingsAt(view, found);
    const said = (row: number): Pick<PlacedFinding, 'cause' | 'isAccepted'> => ({
        cause: found.causes[found.cause[row]!]!.key,
        isAccepted: found.accepted[row] === 1,
    });
    for (let row = 0; row < found.check.length; row++) {
        if (CHECKS[found.check[row]!]!.ofTarget !== null) continue;
        const node = found.subject[row]!;
        yield { finding: findingAt(row), node, target: -1, template: -1, pages: 1, ...said(row) };
    }
    const { templates } = view.survey.measured;
    for (const links of LINK_SORTS) {
        const rows = new Map<number, number[]>();
        const marked = new Uint8Array(view.survey.count);
        for (let row = 0; row < found.check.length; row++) {
            const check = CHECKS[found.check[row]!]!;
            if (check.ofTarget === null || !isSameSort(check.links, links)) continue;
            const target = found.subject[row]!;
            marked[target] = 1;
            rows.set(target, [...(rows.get(target) ?? []), row]);
        }
        if (rows.size === 0) continue;
        for (const { node, target, place, template } of placesOf(view.survey, marked, links)) {
            const pages = template === -1 ? 1 : templates[template]!.pages;
            for (const row of rows.get(target)!) {
                yield { finding: { ...findingAt(row), place }, node, target, template, pages, ...said(row) };
            }
        }
    }
}

/** Where links to marked targets stand: in templates once. */
function placesOf(survey: PackedSurvey, marked: Uint8Array, links: LinkSort) {
    const told = new Set<number>();
    const found: { node: number; target: number; place: FindingPlace; template: number }[] = [];
    eachLinkedPair(survey, { marked, links }, (node, target, pageBlock, at, template) => {
        if (template !== -1) {
            const key = template * survey.count + target;
            if (told.has(key)) return;
            told.add(key);
        }
        found.push({ node, target, place: { pageBlock, at }, template });
    });
    return found;
}
