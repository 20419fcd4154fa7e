/** Families of a survey as rows: one for each, however many URLs stand behind it. */
import type { Database } from '../store/connect.ts';
import { readProgress } from '../store/job-store.ts';

export const FAMILY_COLUMNS = ['pattern', 'state', 'reason', 'by_hand', 'example', 'read', 'seen'] as const;

export type FamilyRecord = Record<(typeof FAMILY_COLUMNS)[number], string | number | boolean>;

/** Closed ones first, then the largest that grow. */
export async function familyRecords(db: Database, surveyId: number): Promise<FamilyRecord[]> {
    const { progress } = await readProgress(db, surveyId);
    return (progress?.families ?? []).map(({ pattern, state, reason, byHand, example, read, seen }) => ({
        pattern,
        state,
        reason,
        by_hand: byHand,
        example,
        read,
        seen,
    }));
}
