/** What *Evidence* shows: the lists that were given to a survey, and how each fits what the survey knows. */
import { matchList } from '../areas/list-matches.ts';
import type { EvidenceList, ListKind } from '../evidence/evidence-lists.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { storedWords } from '../words/problems.ts';
import { quoted } from '../sets/tokens.ts';

export interface ShownList {
    id: number;
    kind: ListKind;
    name: string;
    /** When it was added, UTC milliseconds since 1970, and the revision it made. */
    at: number;
    revision: number;
    /** Lines of the file, distinct rows kept of them, and lines that could not be read. */
    lines: number;
    rows: number;
    bad: number;
    /** URLs of it that the survey has read, has not read, does not know yet, and that match nothing. */
    read: number;
    notRead: number;
    later: number;
    unmatched: number;
    /** What else is to be said of it, in sentences. */
    notes: string[];
    /** Names of the columns that were kept. */
    columns: string[];
    /** A count without a list, and its day; null for a list. */
    bare: { count: number; day: string } | null;
}

/** @param revision the revision of the survey that the list made */
export function shownList(survey: PackedSurvey, list: EvidenceList, revision: number): ShownList {
    const { id, kind, name, at, outcome, rows } = list;
    const { read, notRead, later, unmatched } = matchList(survey, rows);
    return {
        id,
        kind,
        name,
        at,
        revision,
        lines: outcome.lines,
        rows: outcome.rows,
        bad: outcome.bad,
        read,
        notRead,
        later,
        unmatched: unmatched.length,
        notes: outcome.notes.map(storedWords),
        columns: outcome.columns.map((column) => column.name),
        bare: outcome.bare,
    };
}

/** A count that came without a list, as somebody said it on a day. */
export interface BareCount {
    kind: ListKind;
    name: string;
    count: number;
    day: string;
}

export function bareCounts(lists: readonly ShownList[]): BareCount[] {
    return lists.flatMap(({ kind, name, bare }) => (bare ? [{ kind, name, ...bare }] : []));
}

export interface EvidenceView {
    /** Each with the sets of its URLs; null where two lists of one name are one in a set. */
    lists: (ShownList & { sets: { read: string; notRead: string } | null })[];
    /** URLs of all lists that the survey has not read because it did not know them when it ended. */
    later: number;
}

export function evidenceView(lists: readonly ShownList[]): EvidenceView {
    const named = new Map<string, number>();
    for (const { name } of lists) named.set(name, (named.get(name) ?? 0) + 1);
    return {
        lists: lists.map((list) => {
            const set = `list is ${quoted(list.name, true)}`;
            const isAlone = named.get(list.name) === 1;
            return { ...list, sets: isAlone ? { read: `${set} and read`, notRead: `${set} and not read` } : null };
        }),
        later: lists.reduce((sum, { later }) => sum + later, 0),
    };
}
