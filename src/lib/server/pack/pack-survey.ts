/** Makes the packed survey of a survey from its rows, and keeps it. */
import { NO_TEXT_FACTS, packRows, type PackedParts } from '../../core/packed/pack-survey.ts';
import type { Database } from '../store/connect.ts';
import { loadImports } from '../store/evidence-store.ts';
import { savePacked } from '../store/packed-store.ts';
import { loadColumns } from '../store/rows-store.ts';
import { infoOf, type Survey } from '../store/survey-store.ts';
import { loadTextFacts } from '../store/text-facts-store.ts';

/** Texts are told apart once a survey has ended: before that there are no doubles. */
export async function makePacked(db: Database, survey: Survey): Promise<PackedParts> {
    const columns = await loadColumns(db, survey.id);
    const facts = survey.endedAt === null ? NO_TEXT_FACTS : await loadTextFacts(db, survey.id);
    return packRows(infoOf(survey), columns, facts, await loadImports(db, survey.id));
}

/** The same, kept for whoever opens the survey next. */
export async function makeAndSavePacked(db: Database, survey: Survey): Promise<PackedParts> {
    const made = await makePacked(db, survey);
    await savePacked(db, survey.id, survey.revision, made.parts);
    return made;
}
