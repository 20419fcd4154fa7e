/** What the register finds of one page. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isKnown, SEVERITIES, type Finding } from './check.ts';
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
    const found = CHECKS.filter((check) => isKnown(check, survey)).flatMap((check) =>
        check.ofPage({ survey, node, goal }),
    );
    // Links in the order they stand, whichever check found them.
    const links = found.filter(({ place }) => place !== null);
    links.sort((a, b) => a.place!.pageBlock - b.place!.pageBlock || a.place!.at - b.place!.at);
    const moreLinks = Math.max(0, links.length - MOST_LINKS);
    let next = 0;
    const findings = found.flatMap((finding) => {
        if (finding.place === null) return [finding];
        return next < MOST_LINKS ? [links[next++]!] : [];
    });
    findings.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
    return { findings, moreLinks };
}
