/** How many pages a line of the set language says. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';

/** @throws for a line that cannot be read: checks write their own */
export function pagesOf(survey: PackedSurvey, line: string): Bits {
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(`a check says "${line}", which is no set: ${parsed.say}`);
    return evaluateSet(parsed.set, { survey });
}

export function sizeOf(survey: PackedSurvey, line: string): number {
    return pagesOf(survey, line).count();
}
