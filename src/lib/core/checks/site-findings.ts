/** What the register finds of a whole site: one finding a page, or a link; of links in templates one a template. */
import { signedColumn } from '../growing-column.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { besideText, NOTHING_BESIDE, type Beside } from './beside.ts';
import { isSameSort, type Check, type CheckView, type Finding, type RobotsText } from './check.ts';
import { goalOfPriority, type DepthGoalValues } from './depth-goals.ts';
import { findingsAt, foundOf, LINK_SORTS, subjectText, type Found } from './found.ts';
import { eachPlace } from './found-places.ts';
import { CHECKS } from './register.ts';
import { REGISTER_SETTINGS, settingsText, type CheckSettings } from './settings.ts';

/** A finding with where it is. */
export interface PlacedFinding {
    finding: Finding;
    /** The page it is about, or on which the link stands: of a template the first that carries it. */
    node: number;
    /** What the link leads to: a URL, or what is written in place of one; empty where it is about no link. */
    to: string;
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
    /** Sitemaps that name languages for their entries; empty where only pages are asked about. */
    listed: CheckView['listed'];
    settings: CheckSettings;
    beside: Beside;
}

/** A survey with what its site says, as the checks look at it. */
export function siteView(
    survey: PackedSurvey,
    { goals, priority, robots, listed, settings, beside }: Partial<SiteSays> & Pick<SiteSays, 'goals' | 'priority'>,
): CheckView {
    const own = settings ?? REGISTER_SETTINGS;
    let sum = 0;
    for (let node = 0; node < priority.length; node++) {
        if (priority[node] !== 0) sum = (Math.imul(sum, 31) + node * 4 + priority[node]!) | 0;
    }
    return {
        survey,
        robots: robots ?? [],
        listed: listed ?? [],
        priorityOf: (node) => priority[node]!,
        goalOf: (node) => goalOfPriority(goals, priority[node]!),
        settings: own,
        beside: beside ?? NOTHING_BESIDE,
        basis: `${JSON.stringify(goals)} ${sum} ${settingsText(own)} ${besideText(beside ?? NOTHING_BESIDE)}`,
    };
}

/**
 * All findings of pages and links: those of pages check by check in the order of the register, then those of links:
 * by what they lead to, then those of single links, each in the order of the pages they stand on. Needs all parts. What a survey cannot know is not told. O(findings + link occurrences).
 */
export function* siteFindings(view: CheckView): Generator<PlacedFinding> {
    const found = foundOf(view);
    const findingAt = findingsAt(view, found);
    const said = (row: number): Pick<PlacedFinding, 'cause' | 'isAccepted'> => ({
        cause: found.causes[found.cause[row]!]!.key,
        isAccepted: found.accepted[row] === 1,
    });
    const checkOf = (row: number): Check => CHECKS[found.check[row]!]!;
    const isOfPage = (row: number): boolean => checkOf(row).ofPage !== null;
    for (let row = 0; row < found.check.length; row++) {
        if (!isOfPage(row)) continue;
        const node = found.subject[row]!;
        yield { finding: findingAt(row), node, to: '', template: -1, pages: 1, ...said(row) };
    }
    const { templates } = view.survey.measured;
    // A sort of links at a time: places are gathered before they are told, and never all of them at once.
    for (const links of LINK_SORTS) {
        const isMeant = (row: number): boolean => !isOfPage(row) && isSameSort(checkOf(row).links, links);
        const places = placesOfLinks(view.survey, found, isMeant);
        for (let at = 0; at < places.row.length; at++) {
            const [row, template] = [places.row[at]!, places.template[at]!];
            const to = subjectText(view.survey, found, row);
            const pages = template === -1 ? 1 : templates[template]!.pages;
            const place = { pageBlock: places.pageBlock[at]!, at: places.at[at]! };
            yield { finding: { ...findingAt(row), place }, node: places.node[at]!, to, template, pages, ...said(row) };
        }
    }
}

/** Where links that something was found of stand, in templates once: columns, a row for each place. */
function placesOfLinks(survey: PackedSurvey, found: Found, isMeant: (row: number) => boolean) {
    const { templates } = survey.measured;
    const told = new Set<number>();
    const [row, node, pageBlock, at, template] = [
        signedColumn(),
        signedColumn(),
        signedColumn(),
        signedColumn(),
        signedColumn(),
    ];
    eachPlace(survey, found, isMeant, (of, page, place, holder) => {
        // Only what is so of a page itself has no place.
        if (place === null) return;
        if (holder !== -1) {
            const key = of * templates.length + holder;
            if (told.has(key)) return;
            told.add(key);
        }
        row.push(of);
        node.push(page);
        pageBlock.push(place.pageBlock);
        at.push(place.at);
        template.push(holder);
    });
    return {
        row: row.values(),
        node: node.values(),
        pageBlock: pageBlock.values(),
        at: at.values(),
        template: template.values(),
    };
}
