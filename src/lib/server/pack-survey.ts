/** Makes the packed survey of a survey from its rows, and keeps it. */
import { packSurvey } from '../core/packed/pack-survey.ts';
import type { PackedSurvey, Part } from '../core/packed/packed-survey.ts';
import type { Sections } from '../core/packed/sections.ts';
import { measureSurvey, type MeasuredSurvey } from '../core/survey/measured-survey.ts';
import type { Database } from './store/connect.ts';
import { loadImports } from './store/evidence-store.ts';
import { savePacked } from './store/packed-store.ts';
import { loadRows } from './store/rows-store.ts';
import { loadTextFacts } from './store/text-facts-store.ts';
import { infoOf, type Survey } from './store/survey-store.ts';

export interface Packed {
    measured: MeasuredSurvey;
    packed: PackedSurvey;
    parts: ReadonlyMap<Part, Sections>;
}

export async function makePacked(db: Database, survey: Survey): Promise<Packed> {
    const measured = measureSurvey(infoOf(survey), await loadRows(db, survey.id));
    return { measured, ...(await packMeasured(db, survey, measured)) };
}

export async function packMeasured(
    db: Database,
    survey: Survey,
    measured: MeasuredSurvey,
): Promise<Omit<Packed, 'measured'>> {
    const facts = await loadTextFacts(db, survey.id);
    const { survey: packed, parts } = packSurvey(measured, facts, await loadImports(db, survey.id));
    return { packed, parts };
}

/** The same, kept for whoever opens the survey next. */
export async function makeAndSavePacked(db: Database, survey: Survey): Promise<Packed> {
    const made = await makePacked(db, survey);
    await savePacked(db, survey.id, survey.revision, made.parts);
    return made;
}
