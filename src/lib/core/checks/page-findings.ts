/** What the register finds of one page. */
import { isSameSort, SEVERITIES, type CheckView, type Finding, type FindingPlace } from './check.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { findingsAt, foundOf, LINK_SORTS, rowOf, subjectText, type Found } from './found.ts';
import { eachLinkedPair, sourceOf } from './linked-pairs.ts';
import { CHECKS } from './register.ts';

/** Links that are told one by one. */
const MOST_LINKS = 6;

export interface PageFinding {
    finding: Finding;
    /** What it is accepted by: of links the URL they lead to. */
    subject: string;
    /** Key of what it follows from. */
    cause: string;
    isAccepted: boolean;
}

export interface PageFindings {
    /** The worst first, what is accepted last. */
    findings: PageFinding[];
    /** Links that a check found something of, beyond those told. */
    moreLinks: number;
}

/** Needs all parts. O(checks + links of the page) once the survey's findings are made. @param most links told one by one */
export function pageFindings(view: CheckView, node: number, most = MOST_LINKS): PageFindings {
    const found = foundOf(view);
    const findingAt = findingsAt(view, found);
    const tell = (row: number, place: Finding['place']): PageFinding => {
        const own = findingAt(row);
        const finding = { ...own, place: place ?? own.place };
        const subject = subjectText(view.survey, found, row);
        const cause = found.causes[found.cause[row]!]!.key;
        return { finding, subject, cause, isAccepted: found.accepted[row] === 1 };
    };
    const findings: PageFinding[] = [];
    CHECKS.forEach(({ ofPage }, number) => {
        const row = ofPage === null ? -1 : rowOf(found, number, node);
        if (row !== -1) findings.push(tell(row, null));
    });
    const links = linksFound(view, found, node);
    // The worst first, then in the order they stand, whichever check found them.
    links.sort(
        (a, b) =>
            found.severity[a.row]! - found.severity[b.row]! ||
            a.place.pageBlock - b.place.pageBlock ||
            a.place.at - b.place.at,
    );
    findings.push(...links.slice(0, most).map(({ row, place }) => tell(row, place)));
    const rank = ({ finding, isAccepted }: PageFinding): number =>
        SEVERITIES.indexOf(finding.severity) + (isAccepted ? SEVERITIES.length : 0);
    findings.sort((a, b) => rank(a) - rank(b));
    return { findings, moreLinks: Math.max(links.length - most, 0) };
}

/** Rows about targets of a page's links, each with the first such link, and about the links themselves. */
function linksFound({ survey }: CheckView, found: Found, node: number): { row: number; place: FindingPlace }[] {
    const links: { row: number; place: FindingPlace }[] = [];
    const everything = new Uint8Array(survey.count).fill(1);
    for (const sort of LINK_SORTS) {
        const checks = CHECKS.flatMap((check, number) =>
            check.ofTarget !== null && isSameSort(check.links, sort) ? [number] : [],
        );
        eachLinkedPair(survey, { marked: everything, links: sort, of: node }, (_, target, pageBlock, at) => {
            for (const check of checks) {
                const row = rowOf(found, check, target);
                if (row !== -1) links.push({ row, place: { pageBlock, at } });
            }
        });
    }
    return [...links, ...singleLinks(survey, found, node)];
}

function singleLinks(survey: CheckView['survey'], found: Found, node: number): { row: number; place: FindingPlace }[] {
    const { isPage, pageStart, pageBlocks, blockList, listStart } = linkGraphOf(survey);
    if (isPage[node] !== 1) return [];
    const links = new Map<number, FindingPlace>();
    for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
        const list = blockList[pageBlocks[pageBlock]!]!;
        const first = listStart[list]!;
        for (let link = first; link < listStart[list + 1]!; link++) {
            if (!links.has(link)) links.set(link, { pageBlock, at: link - first });
        }
    }
    return CHECKS.flatMap((check, number) => {
        const none = check.ofLink === null || found.start[number] === found.start[number + 1];
        if (none || !sourceOf(survey, check.links.from)(node)) return [];
        return [...links].flatMap(([link, place]) => {
            const row = rowOf(found, number, link);
            return row === -1 ? [] : [{ row, place }];
        });
    });
}
