/** What a packed survey says of itself, checked where its bytes come from elsewhere: the database, a thread, the server. */
import { z } from 'zod';
import { problemText } from '../core/problems/problem.ts';
import type { Part } from '../core/columns/column.ts';
import { PARTS, PackedSurvey, type MeasuresHead, type PackedHead } from '../core/packed/packed-survey.ts';
import type { Sections } from '../core/packed/sections.ts';
import { CUT_REASONS, FILE_KINDS, SURVEY_STATES } from '../core/survey/survey-rows.ts';

const count = z.number().int().min(0);

const FactsHead: z.ZodType<PackedHead> = z.object({
    // Those packed before facts and measures had versions of their own are of the first.
    facts: count.default(1),
    count,
    start: z.string(),
    starts: z.array(count),
    state: z.enum(SURVEY_STATES),
    cut: z.array(z.enum(CUT_REASONS)),
    complete: z.boolean(),
    hasSitemap: z.boolean(),
    files: z.array(
        z.object({
            kind: z.enum(FILE_KINDS),
            url: z.string(),
            status: z.number().int().nullable(),
            // Surveys packed by earlier versions hold sentences there, which are read as such.
            note: z.string().transform(problemText),
            entries: count.nullable(),
        }),
    ),
    given: z.array(
        z.object({ name: z.string(), list: z.string(), type: z.enum(['number', 'date']), column: z.string() }),
    ),
    nearText: z.number(),
});

const MeasuredHead: z.ZodType<MeasuresHead> = z.object({
    measures: count,
    templates: z.array(
        z.object({ name: z.string(), region: z.string(), place: z.string(), pages: count, holds: count }),
    ),
    leak: z.number(),
});

/** A survey with the first of its parts; null where its head is none of ours. */
export function openPacked(core: Sections): PackedSurvey | null {
    const head = FactsHead.safeParse(core.head);
    if (!head.success) return null;
    const survey = new PackedSurvey(head.data);
    survey.add('core', core);
    return survey;
}

/** @returns false where the head of the measures is none of ours */
export function addPart(survey: PackedSurvey, part: Part, sections: Sections): boolean {
    if (part !== 'measures') {
        survey.add(part, sections);
        return true;
    }
    const head = MeasuredHead.safeParse(sections.head);
    if (head.success) survey.addMeasures(sections.columns, head.data);
    return head.success;
}

/** A survey with all the parts that are there; null where a head is none of ours, or there is no `core`. */
export function packedOf(parts: { get(part: Part): Sections | undefined }): PackedSurvey | null {
    const core = parts.get('core');
    const survey = core ? openPacked(core) : null;
    if (!survey) return null;
    for (const part of PARTS) {
        const sections = part === 'core' ? undefined : parts.get(part);
        if (sections && !addPart(survey, part, sections)) return null;
    }
    return survey;
}

/** The version of measures a part says it is of; 0 where it does not say. */
export function measuresVersion(head: unknown): number {
    const told = MeasuredHead.safeParse(head);
    return told.success ? told.data.measures : 0;
}
