/** Changes that are laid aside, as `changes.csv`: a line a change, page by page, in the order they stand on each. */
import type { CsvRecord } from '../../core/formats/csv.ts';
import type { KeptChange } from '../../wire/laid-change.ts';

export const CHANGE_COLUMNS = [
    'kind',
    'page',
    'line',
    'block',
    'old_anchor',
    'new_anchor',
    'old_target',
    'new_target',
    'sentence',
] as const;

export function changeRecords(changes: readonly KeptChange[]): CsvRecord[] {
    return [...changes]
        .sort((a, b) => (a.page === b.page ? a.line - b.line || a.id - b.id : a.page < b.page ? -1 : 1))
        .map(({ kind, page, line, block, oldAnchor, newAnchor, oldTarget, newTarget, sentence }) => ({
            kind,
            page,
            line: line === 0 ? null : line,
            block,
            old_anchor: oldAnchor,
            new_anchor: newAnchor,
            old_target: oldTarget,
            new_target: newTarget,
            sentence,
        }));
}
