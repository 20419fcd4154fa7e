/** Sets of the set language, for tests that ask what a line finds. */
import type { CheckView } from '$lib/core/checks/check.ts';
import { pagesFound } from '$lib/core/checks/pages-found.ts';
import { packSurvey } from '$lib/core/pack/pack-survey.ts';
import type { PackedSurvey } from '$lib/core/packed/packed-survey.ts';
import { evaluateSet } from '$lib/core/sets/evaluate-set.ts';
import { fieldsOf } from '$lib/core/sets/fields.ts';
import { parseSet } from '$lib/core/sets/parse-set.ts';
import type { MeasuredSurvey } from './reference/measured-survey.ts';

/** Nodes of the set that a line names. */
export function nodesOfLine(survey: MeasuredSurvey, line: string): number[] {
    return nodesIn(packSurvey(survey).survey, line);
}

/** The same of what the checks find, as a site says of them. */
export function sizeFound(view: CheckView, line: string): number {
    const { survey } = view;
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(`${line}: ${parsed.say}`);
    return evaluateSet(parsed.set, { survey, finds: (_, sought) => pagesFound(view, sought) }).count();
}

/** The same of a survey that is packed, with priorities. */
export function nodesIn(survey: PackedSurvey, line: string, priority?: Uint8Array): number[] {
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(`${line}: ${parsed.say}`);
    return [...evaluateSet(parsed.set, { survey, priority }).nodes()];
}
