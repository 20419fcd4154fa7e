/** Subjects that were said, by URL: of a page before those of sets, of several sets with one page the last. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { evaluateSet, SetUnknown } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';
import type { SaidSubjects } from '../subjects/subject.ts';

export interface SubjectSaid {
    by: 'page' | 'set';
    /** A URL, or a line of the set language. */
    subject: string;
    words: readonly string[];
}

/** A set that cannot be told from the survey alone (one that asks for findings, or names another) names no page. */
export function subjectsByUrl(survey: PackedSurvey, said: readonly SubjectSaid[]): SaidSubjects {
    const byUrl = new Map<string, { words: readonly string[]; by: 'page' | 'set' }>();
    for (const { by, subject, words } of said) {
        if (by !== 'set') continue;
        const parsed = parseSet(subject, fieldsOf(survey));
        if (!parsed.ok) continue;
        try {
            for (const node of evaluateSet(parsed.set, { survey }).nodes()) byUrl.set(survey.url(node), { words, by });
        } catch (error) {
            if (!(error instanceof SetUnknown)) throw error;
        }
    }
    for (const { by, subject, words } of said) if (by === 'page') byUrl.set(subject, { words, by });
    return byUrl;
}
