/** Makes the packed survey of a survey from its rows, and keeps it. */
import { log } from '../process/log.ts';
import { NO_TEXT_FACTS } from '../../core/columns/survey-facts.ts';
import { measureSurvey } from '../../core/pack/measure-survey.ts';
import { packFacts, withMeasures, type PackedParts } from '../../core/pack/pack-survey.ts';
import { FACTS_VERSION, MEASURES_VERSION, PARTS, type PackedSurvey } from '../../core/packed/packed-survey.ts';
import type { FileRow } from '../../core/survey/survey-rows.ts';
import { type Part } from '../../core/columns/column.ts';
import type { Sections } from '../../core/packed/sections.ts';
import { packedOf } from '../../wire/packed-head.ts';
import { isFull } from '../process/disk-space.ts';
import type { Database } from '../store/connect.ts';
import { loadLists } from '../store/evidence-store.ts';
import { loadPacked, savePacked, savePart, whilePacking } from '../store/packed-store.ts';
import { loadColumns } from '../store/rows-store.ts';
import { infoOf, type Survey } from '../store/survey-store.ts';
import { loadTextFacts } from '../store/text-facts-store.ts';

const FACT_PARTS: readonly Part[] = ['core', 'text', 'links'];

/** Texts are told apart once a survey has ended: before that there are no doubles. */
export async function makePacked(db: Database, survey: Survey): Promise<PackedParts> {
    return withMeasures(await factsOf(db, survey));
}

/** In a function of its own: when the measures are made, nothing holds the rows any more. */
async function factsOf(db: Database, survey: Survey): Promise<PackedParts> {
    const columns = await loadColumns(db, survey.id);
    const facts =
        survey.endedAt === null
            ? NO_TEXT_FACTS
            : await loadTextFacts(db, survey.id, { isHeldAgainstMadeUp: columns.files.some(isMadeUpText) });
    return packFacts(infoOf(survey), columns, facts, await loadLists(db, survey.id));
}

/** What a host answers for what is not there, as far as it is a text. */
const isMadeUpText = ({ kind, text }: FileRow): boolean => kind === 'made-up' && text !== '';

/**
 * The same, kept for whoever opens the survey next. Who waited for another process to do it takes what that one made.
 */
export async function makeAndSavePacked(db: Database, survey: Survey): Promise<PackedParts> {
    return whilePacking(db.$client, survey.id, async () => {
        const kept = await keptPacked(db, survey);
        if (kept) return kept;
        const made = await makePacked(db, survey);
        await unlessFull(survey.id, () => savePacked(db, survey.id, survey.revision, made.parts));
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
    const kept = packedOf(parts);
    return kept && isCurrent(kept) ? { survey: kept, parts } : null;
}

/** True where nothing would come out differently if it were packed again. */
function isCurrent({ head, measured }: PackedSurvey): boolean {
    return head.facts === FACTS_VERSION && measured.measures === MEASURES_VERSION;
}

/**
 * Measures a survey anew from the facts that are kept of it, and keeps what comes out: for revisions whose rows are not
 * there any more, and because facts are not read twice.
 * @throws Error with a sentence part where a part of its facts cannot be read
 */
export async function remeasure(db: Database, { id, revision }: Survey): Promise<Sections> {
    return whilePacking(db.$client, id, async () => {
        const parts = new Map<Part, Sections>();
        for (const part of FACT_PARTS) {
            const loaded = await loadPacked(db, id, revision, part);
            if (!loaded.ok) throw new Error(loaded.why);
            parts.set(part, loaded.sections);
        }
        const survey = packedOf(parts);
        if (!survey) throw new Error('its head is none of ours');
        const measures = measureSurvey(survey);
        await unlessFull(id, () => savePart(db, id, revision, 'measures', measures));
        return measures;
    });
}

/** What was made can be looked at also where it cannot be kept; whoever opens it when there is space again keeps it. */
async function unlessFull(surveyId: number, save: () => Promise<void>): Promise<void> {
    try {
        await save();
    } catch (error) {
        if (!isFull(error)) throw error;
        log.warn('packed and not kept: the disk with the data folder is full', { survey: surveyId });
    }
}
