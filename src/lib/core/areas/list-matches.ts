/** Which URLs of an import a survey knows, and which match nothing it knows. */
import { reasonOf } from '../columns/reason-codes.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { EvidenceList, ListColumn, ListKind, ListRow } from '../evidence/evidence-lists.ts';

export interface ListMatches {
    /** URLs that were read; one that stands in several rows counts once. */
    read: number;
    /** URLs that are known and were not read, whatever the reason. */
    notRead: number;
    /** Of these, known only since the survey. */
    later: number;
    /** Rows that match no known URL: other hosts, or out of scope. */
    unmatched: ListRow[];
}

/** Needs `core` and `text`. O(rows log nodes). */
export function matchList(survey: PackedSurvey, rows: readonly ListRow[]): ListMatches {
    const matches: ListMatches = { read: 0, notRead: 0, later: 0, unmatched: [] };
    const seen = new Set<number>();
    const status = survey.numbers('status');
    const reasons = survey.numbers('not_read');
    for (const row of rows) {
        const node = survey.nodeOf(row.url);
        if (node === -1) matches.unmatched.push(row);
        if (node === -1 || seen.has(node)) continue;
        seen.add(node);
        if (status[node] !== 0) matches.read++;
        else {
            matches.notRead++;
            if (reasonOf(reasons[node]!) === 'later') matches.later++;
        }
    }
    return matches;
}

/** What one list says of a page. */
export interface GivenFact {
    kind: ListKind;
    /** Name of the list. */
    name: string;
    /** Values of its columns that are known. */
    values: { column: string; type: ListColumn['type']; value: number }[];
    /** Pages of other sites that link here, the first few, and how many there are. */
    sources: string[];
    links: number;
}

const MOST_SOURCES = 20;

/** What all lists say of each URL, ready to be asked page by page. O(rows). */
export class GivenFacts {
    readonly #byUrl = new Map<string, GivenFact[]>();

    constructor(imports: readonly EvidenceList[]) {
        for (const { kind, name, outcome, rows } of imports) {
            for (const row of rows) {
                const facts = this.#byUrl.get(row.url);
                let fact = facts?.find((item) => item.kind === kind && item.name === name);
                if (!fact) {
                    fact = { kind, name, values: [], sources: [], links: 0 };
                    if (facts) facts.push(fact);
                    else this.#byUrl.set(row.url, [fact]);
                }
                if (row.source !== '') {
                    fact.links++;
                    if (fact.sources.length < MOST_SOURCES) fact.sources.push(row.source);
                    // Values of single links are theirs, not the page's.
                    continue;
                }
                outcome.columns.forEach(({ name: column, type }, index) => {
                    const value = row.cells[index] ?? null;
                    if (value !== null) fact.values.push({ column, type, value });
                });
            }
        }
    }

    of(url: string): GivenFact[] {
        return this.#byUrl.get(url) ?? [];
    }
}
