/** What *Checks* shows: the register, each check with what it finds here, its threshold, and what is accepted of it. */
import type { CheckView, Severity, Threshold } from '../checks/check.ts';
import { isKnown, type Check } from '../checks/check.ts';
import { fileFindings, isAcceptedFile } from '../checks/file-findings.ts';
import { foundOf } from '../checks/found.ts';
import { pagesFound } from '../checks/pages-found.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isFindingId } from '../words/finding-params.ts';
import { CHECK_FAMILIES, CHECKS, FINDING_CHECKS } from '../checks/register.ts';
import { quoted } from '../sets/tokens.ts';

export interface CheckRow {
    id: string;
    severity: Severity;
    name: string;
    fires: string;
    quiet: string;
    why: string;
    advice: string;
    example: string;
    isOff: boolean;
    /** Not known of this survey, and why. */
    unknown: 'partial' | 'no sitemap' | 'no made-up address' | 'earlier version' | null;
    /** Pages it finds something of, or on which such links stand; lines, of files. The accepted are not among them. */
    pages: number;
    /** Likewise, but of links what they lead to. */
    accepted: number;
    /** What it finds, in the set language; null for files. */
    set: string | null;
    threshold: (Threshold & { own: number | null }) | null;
}

export interface ChecksView {
    families: { question: string; checks: CheckRow[] }[];
    total: { checks: number; finding: number; off: number; changed: number };
}

/** Needs all parts. O(findings). */
export function checksView(view: CheckView): ChecksView {
    const { check, accepted } = foundOf(view);
    const files = fileFindings(view);
    const counts = CHECKS.map(() => ({ pages: 0, accepted: 0 }));
    for (let row = 0; row < check.length; row++) counts[check[row]!]![accepted[row] === 1 ? 'accepted' : 'pages']++;
    CHECKS.forEach(({ id, ofPage }, number) => {
        if (ofPage !== null || counts[number]!.pages === 0 || !isFindingId(id)) return;
        counts[number]!.pages = pagesFound(view, { kind: 'finding', check: id, cause: null }).count();
    });
    for (const finding of files) {
        const own = counts[CHECKS.findIndex(({ id }) => id === finding.check)]!;
        own[isAcceptedFile(view, finding) ? 'accepted' : 'pages']++;
    }
    const families = CHECK_FAMILIES.map(({ question, checks }) => ({
        question,
        checks: checks.map((item) => rowOf(view, item, counts[CHECKS.indexOf(item)]!)),
    }));
    const rows = families.flatMap(({ checks }) => checks);
    return {
        families,
        total: {
            checks: rows.length,
            finding: rows.filter(({ pages }) => pages > 0).length,
            off: rows.filter(({ isOff }) => isOff).length,
            changed: rows.filter(({ threshold }) => threshold !== null && threshold.own !== null).length,
        },
    };
}

function rowOf(view: CheckView, check: Check, counts: Pick<CheckRow, 'pages' | 'accepted'>): CheckRow {
    const { survey, settings } = view;
    const { id, severity, name, fires, quiet, why, advice, example, threshold } = check;
    return {
        ...{ id, severity, name, fires, quiet, why, advice, example },
        ...counts,
        isOff: settings.off.has(id),
        unknown: unknownWhy(check, survey),
        set: FINDING_CHECKS.includes(check) ? `has finding ${quoted(id, true)}` : null,
        threshold: threshold ? { ...threshold, own: settings.thresholds.get(id) ?? null } : null,
    };
}

function unknownWhy(check: Check, survey: PackedSurvey): CheckRow['unknown'] {
    if (isKnown(check, survey)) return null;
    if (check.needsWhole && !survey.head.complete) return 'partial';
    if (check.needsSitemap && !survey.head.hasSitemap) return 'no sitemap';
    return check.needsFact && survey.lacks(check.needsFact) ? 'earlier version' : 'no made-up address';
}
