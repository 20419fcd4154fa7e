/** How far a survey is, asked of the database once a request. */
import { askedOnce } from './request-memo.ts';
import type { Database } from './store/connect.ts';
import { readProgress } from './store/job-store.ts';

export function progressIn(db: Database, surveyId: number): ReturnType<typeof readProgress> {
    return askedOnce(`progress ${surveyId}`, () => readProgress(db, surveyId));
}
