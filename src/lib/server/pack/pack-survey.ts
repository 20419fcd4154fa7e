/** Makes the packed survey of a survey from its rows, and keeps it. */
import { NO_TEXT_FACTS, packRows, type PackedParts } from '../../core/packed/pack-survey.ts';
import { PackedSurvey, PARTS, type Part } from '../../core/packed/packed-survey.ts';
import type { Sections } from '../../core/packed/sections.ts';
import { PackedHead } from '../../wire/packed-head.ts';
import { isFull } from '../process/disk-space.ts';
import type { Database } from '../store/connect.ts';
import { loadImports } from '../store/evidence-store.ts';
import { loadPacked, savePacked, whilePacking } from '../store/packed-store.ts';
import { loadColumns } from '../store/rows-store.ts';
import { infoOf, type Survey } from '../store/survey-store.ts';
import { loadTextFacts } from '../store/text-facts-store.ts';

/** Texts are told apart once a survey has ended: before that there are no doubles. */
export async function makePacked(db: Database, survey: Survey): Promise<PackedParts> {
    const columns = await loadColumns(db, survey.id);
    const facts = survey.endedAt === null ? NO_TEXT_FACTS : await loadTextFacts(db, survey.id);
    return packRows(infoOf(survey), columns, facts, await loadImports(db, survey.id));
}

/**
 * The same, kept for whoever opens the survey next. Who waited for another process to do it takes what that one made.
 */
export async function makeAndSavePacked(db: Database, survey: Survey): Promise<PackedParts> {
    return whilePacking(db.$client, survey.id, async () => {
        const kept = await keptPacked(db, survey);
        if (kept) return kept;
        const made = await makePacked(db, survey);
        try {
            await savePacked(db, survey.id, survey.revision, made.parts);
        } catch (error) {
            // It can be looked at all the same; whoever opens it when there is space again keeps it.
            if (!isFull(error)) throw error;
            console.error(`survey ${survey.id} is packed and not kept: the disk with the data folder is full`);
        }
        return made;
    });
}

/** The packed survey as it is kept; null where any part is missing or not whole. */
async function keptPacked(db: Database, { id, revision }: Survey): Promise<PackedParts | null> {
    const parts = new Map<Part, Sections>();
    for (const part of PARTS) {
        const loaded = await loadPacked(db, id, revision, part);
        if (!loaded.ok) return null;
        parts.set(part, loaded.sections);
    }
    const head = PackedHead.safeParse(parts.get('core')!.head);
    if (!head.success) return null;
    const survey = new PackedSurvey(head.data);
    for (const [part, sections] of parts) survey.add(part, sections);
    return { survey, parts };
}
