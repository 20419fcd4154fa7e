/** Where surveys come from, and which one a survey is compared with. */
import type { Part } from '../core/columns/column.ts';
import type { WordIndex } from '../core/text/word-index.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { surveysOf } from './app.ts';
import type { Database } from './store/connect.ts';
import type { Survey } from './store/survey-store.ts';

/** The database, and a way to have a survey packed. */
export interface Surveys {
    db: Database;
    open: (survey: Survey, parts: readonly Part[]) => Promise<PackedSurvey>;
    /** The word index of a survey; null where its words are not known. */
    words: (survey: Survey, packed: PackedSurvey) => Promise<WordIndex | null>;
}

/** The survey that a survey is compared with: the last whole one before it. */
export async function baselineOf(db: Database, survey: Survey): Promise<Survey | null> {
    const before = (await surveysOf(db, survey.siteId))
        .filter((other) => other.number < survey.number && other.settings.spot === null && other.state === 'finished')
        .sort((a, b) => b.number - a.number);
    return before[0] ?? null;
}
