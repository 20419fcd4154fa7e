/** Packs a survey that was closed, so that whoever opens it need not wait. */
import { makeAndSavePacked } from '../pack-survey.ts';
import type { Store } from '../store/connect.ts';
import { countPages, getSurvey } from '../store/survey-store.ts';

/**
 * Packing holds all rows at once, and a worker stays small whatever it reads: a larger survey is packed by whoever opens
 * it first.
 */
const MOST_PACKED = 20_000;

/** What fails here is told, and made again when it is asked for. */
export async function packClosed(db: Store['db'], surveyId: number, log: (line: string) => void): Promise<void> {
    try {
        const survey = await getSurvey(db, surveyId);
        if (survey && (await countPages(db, surveyId)) <= MOST_PACKED) await makeAndSavePacked(db, survey);
    } catch (error) {
        log(`survey ${surveyId} could not be packed: ${(error as Error).message}`);
    }
}
