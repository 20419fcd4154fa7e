/** `proposals.csv`: the best sentences that a run found for each of its targets. */
import type { Database } from '../store/connect.ts';
import { eachFound } from '../store/proposal-run-store.ts';

export const FOUND_COLUMNS = ['target', 'page', 'line', 'anchor', 'sentence', 'score'] as const;

export async function* foundRecords(
    db: Database,
    run: number,
): AsyncGenerator<Record<(typeof FOUND_COLUMNS)[number], string | number>[]> {
    for await (const { target, best } of eachFound(db, run)) {
        yield best.map(({ source, line, anchor, sentence, score }) => ({
            target,
            page: source,
            line,
            anchor,
            sentence,
            score: Number(score.toFixed(3)),
        }));
    }
}
