/** Makes the packed survey of a survey from its rows, and keeps it. */
import type { RowDataPacket } from 'mysql2/promise';
import { packSurvey, type TextFacts } from '../core/packed/pack-survey.ts';
import type { PackedSurvey, Part } from '../core/packed/packed-survey.ts';
import type { Sections } from '../core/packed/sections.ts';
import { measureSurvey, type MeasuredSurvey } from '../core/survey/measured-survey.ts';
import type { Database } from './store/connect.ts';
import { loadImports } from './store/evidence-store.ts';
import { savePacked } from './store/packed-store.ts';
import { loadRows } from './store/rows-store.ts';
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

/** Hashes and signatures of texts, as plain arrays: an object for each of 100,000 rows costs more than the query. */
async function loadTextFacts(db: Database, surveyId: number): Promise<TextFacts> {
    const rows = async (sql: string): Promise<unknown[][]> => {
        const [found] = await db.$client.query<RowDataPacket[][]>({ sql, values: [surveyId], rowsAsArray: true });
        return found;
    };
    const hex = (value: unknown): string => (Buffer.isBuffer(value) ? value.toString('hex') : '');
    const facts: TextFacts = { body: new Map(), main: new Map() };
    for (const [page, hash] of await rows('SELECT page, body_hash FROM page_detail WHERE survey_id = ?')) {
        facts.body.set(Number(page), hex(hash));
    }
    for (const row of await rows('SELECT page, hash, words, signature FROM page_main WHERE survey_id = ?')) {
        const [page, hash, words, signature] = row;
        facts.main.set(Number(page), {
            hash: hex(hash),
            words: Number(words),
            signature:
                Buffer.isBuffer(signature) && signature.length > 0
                    ? new Uint32Array(new Uint8Array(signature).buffer)
                    : null,
        });
    }
    return facts;
}
