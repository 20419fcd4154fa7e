/** Numbers and dates that imports say of pages, as columns: visits, hits of a log, dates of a search index. */
import type { EvidenceList } from '../evidence/evidence-lists.ts';
import type { GivenColumn } from '../packed/packed-survey.ts';

const KIND_WORD: Record<EvidenceList['kind'], string> = {
    log: 'log',
    visits: 'visits',
    search: 'search',
    external: 'external',
    manual: 'manual',
};

/** Words of a column of a list, fit for the set language: letters, digits and single spaces. */
function wordsOf(text: string): string {
    return text
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, ' ')
        .trim();
}

/**
 * @param urls of the nodes
 * @returns one column for each column of each list; NaN where a list says nothing. Called by kind and column
 * ("log hits"), the kind left out where the column is called like it ("visits"); later lists of the same have a number
 */
export function givenColumns(
    urls: readonly string[],
    imports: readonly EvidenceList[],
): { head: GivenColumn; values: Float64Array }[] {
    const nodeOf = new Map(urls.map((url, node) => [url, node]));
    const columns: { head: GivenColumn; values: Float64Array }[] = [];
    const taken = new Set<string>();
    for (const { kind, name: list, outcome, rows } of imports) {
        outcome.columns.forEach(({ name: column, type }, index) => {
            const words = wordsOf(column) || `column ${index + 1}`;
            const plain =
                words === KIND_WORD[kind] || words.startsWith(`${KIND_WORD[kind]} `)
                    ? words
                    : `${KIND_WORD[kind]} ${words}`;
            let name = plain;
            for (let number = 2; taken.has(name); number++) name = `${plain} ${number}`;
            const values = new Float64Array(urls.length).fill(NaN);
            let said = false;
            for (const row of rows) {
                // Values of single links are theirs, not the page's.
                const value = row.source === '' ? (row.cells[index] ?? null) : null;
                const node = nodeOf.get(row.url);
                if (value === null || node === undefined) continue;
                // The same page in several rows: counts add up, of dates the last counts.
                const known = values[node]!;
                values[node] = Number.isNaN(known) ? value : type === 'number' ? known + value : Math.max(known, value);
                said = true;
            }
            if (!said) return;
            taken.add(name);
            columns.push({ head: { name, list, type, column: `given_${columns.length}` }, values });
        });
    }
    return columns;
}
