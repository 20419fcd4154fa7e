/** Lists of URLs from elsewhere as evidence: what kinds there are, and what is said of one that was read. */
import type { ProblemText } from '../problems/problem.ts';
import type { Evidence } from './evidence.ts';

/** Evidence that can be brought in from outside. */
export const LIST_KINDS = ['log', 'visits', 'search', 'external', 'manual'] as const satisfies readonly Evidence[];
export type ListKind = (typeof LIST_KINDS)[number];

/** What each kind is, for forms, the command line and the docs. */
export const LIST_WORDS: Record<ListKind, { name: string; what: string }> = {
    log: {
        name: 'Access log',
        what: 'What was asked for and answered with 200, in Common or Combined Log Format, plain or gzip.',
    },
    visits: {
        name: 'Visits',
        what: 'Pages people landed on or looked at, with counts: CSV, or one address to a line.',
    },
    search: {
        name: 'Search index',
        what: 'Addresses a search index lists: CSV, or one address to a line.',
    },
    external: {
        name: 'Links from other sites',
        what: 'Links that others set: CSV with the page that links and the page it links to.',
    },
    manual: { name: 'Typed in', what: 'Addresses you know of, one to a line.' },
};

export interface ListColumn {
    name: string;
    type: 'number' | 'date';
}

/** A value of a column: a number, a date as UTC milliseconds since 1970, or not given. */
export type ListCell = number | null;

/** One URL of an import, or one link of another site. */
export interface ListRow {
    /** URL in our spelling, after the site's URL rules. */
    url: string;
    /** The page that links here; empty but for external links. */
    source: string;
    cells: ListCell[];
}

/** How an import was read and what came of it. */
export interface ListOutcome {
    columns: ListColumn[];
    /** Lines or rows read. */
    lines: number;
    /** Distinct URLs (or links) kept. */
    rows: number;
    /** Lines that could not be read; a bounded number of them is kept. */
    bad: number;
    /** Whatever else is to be said of it. */
    notes: ProblemText[];
    /** A count without a list, with the day it was taken; null for a list. */
    bare: { count: number; day: string } | null;
}

/** An import as looked at: its head and its rows. */
export interface EvidenceList {
    id: number;
    kind: ListKind;
    name: string;
    at: number;
    outcome: ListOutcome;
    rows: ListRow[];
}
