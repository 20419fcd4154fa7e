/** What *Causes* shows: what is found, by the one edit that mends it, with what follows and what it touches. */
import { countPages } from '../areas/count-pages.ts';
import { causesOf, type ToldCause } from '../checks/causes.ts';
import { SEVERITIES, type CheckView, type Severity } from '../checks/check.ts';
import { foundOf } from '../checks/found.ts';
import { eachAbout } from '../checks/found-places.ts';
import { once } from '../kept.ts';
import { causeWords, followsWords } from '../words/causes.ts';

/** Edits that the headline counts. */
const FIRST_EDITS = 3;
/** Causes that are listed; more than a few dozen nobody reads. */
const MOST_CAUSES = 200;

export interface CauseRow {
    key: string;
    severity: Severity;
    say: string;
    where: string;
    /** URLs it is about: the size of the set. Null for lines of files alone. */
    urls: { pages: number; set: string | null } | null;
    standing: number;
    /** All of it is thrown away: none of those URLs holds any. */
    isThrown: boolean;
    visits: number | null;
    /** The worst first. */
    follows: { check: string; severity: Severity; pages: number; set: string | null; say: string }[];
    /** The reason it is accepted for; null where it is open, empty where single findings of it are. */
    accepted: string | null;
}

export interface CausesView {
    counts: { known: number; indexable: number };
    /** Open causes of each severity. */
    total: Record<Severity, number>;
    rows: CauseRow[];
    more: number;
    accepted: CauseRow[];
    /** What the first edits mend: URLs with a fault of which no fault is left. Null where nothing is a fault. */
    first: { edits: number; mended: number; of: number } | null;
    /** Most standing that a fault or a risk touches: the scale of the bars. */
    most: number;
    hasVisits: boolean;
    /** Checks that are switched off. */
    off: number;
}

/** Needs all parts. O(findings). */
export function causesView(view: CheckView): CausesView {
    const { survey, settings } = view;
    const { known, indexable } = once(survey, 'page counts', [], () => countPages(survey));
    const { open, accepted } = causesOf(view);
    const rows = open.slice(0, MOST_CAUSES).map((cause) => rowOf(cause, null));
    const total = Object.fromEntries(
        SEVERITIES.map((severity) => [severity, open.filter((cause) => cause.severity === severity).length]),
    ) as Record<Severity, number>;
    return {
        counts: { known, indexable },
        total,
        rows,
        more: open.length - rows.length,
        accepted: accepted.map((cause) => rowOf(cause, settings.accepted.causes.get(cause.key) ?? '')),
        first: firstEdits(view, open),
        // Remarks touch whole sites: beside them nothing else would show.
        most: Math.max(...rows.filter(({ severity }) => severity !== 'remark').map(({ standing }) => standing), 0),
        hasVisits: rows.some(({ visits }) => visits !== null),
        off: settings.off.size,
    };
}

function rowOf(
    { key, severity, cause, urls, only, set, standing, thrown, visits, follows }: ToldCause,
    accepted: string | null,
): CauseRow {
    return {
        key,
        severity,
        ...causeWords(cause, { urls, only }),
        urls: urls === 0 ? null : { pages: urls, set },
        standing,
        isThrown: thrown > 0 && thrown >= standing / 2,
        visits,
        follows: follows.map(({ check, severity: own, pages, set: line }) => ({
            check,
            severity: own,
            pages,
            set: line,
            say: followsWords(check, pages),
        })),
        accepted,
    };
}

/** Those of which what is done, where, or what follows has all words of a text, in any case. */
export function causesWith(rows: readonly CauseRow[], text: string): CauseRow[] {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return rows.filter(({ say, where, follows }) => {
        const all = [say, where, ...follows.map(({ check, say: own }) => `${check} ${own}`)].join(' ').toLowerCase();
        return words.every((word) => all.includes(word));
    });
}

/** How many of the URLs with a fault have none left once the first edits are made. */
function firstEdits(view: CheckView, open: readonly ToldCause[]): CausesView['first'] {
    const edits = open.filter(({ severity, urls }) => severity === 'fault' && urls > 0).slice(0, FIRST_EDITS);
    if (edits.length === 0) return null;
    const keys = new Set(edits.map(({ key }) => key));
    const found = foundOf(view);
    const faulty = new Set<number>();
    const left = new Set<number>();
    const isOpenFault = (row: number): boolean =>
        found.accepted[row] === 0 && SEVERITIES[found.severity[row]!] === 'fault';
    eachAbout(view.survey, found, isOpenFault, (row, node) => {
        faulty.add(node);
        if (!keys.has(found.causes[found.cause[row]!]!.key)) left.add(node);
    });
    return { edits: edits.length, mended: faulty.size - left.size, of: faulty.size };
}
