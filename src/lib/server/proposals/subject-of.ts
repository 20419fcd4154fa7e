/** What one page is about, for its sheet. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { SubjectMaker, type SubjectOrigin } from '../../core/subjects/subject.ts';
import type { Survey } from '../store/survey-store.ts';
import { wordIndexOf } from './open-words.ts';
import { genericOf, saidSubjects } from './said.ts';

/** Null for what is no page, and where the words of the survey are not known. Needs `text` and `links`. */
export async function subjectOf(
    survey: Survey,
    packed: PackedSurvey,
    node: number,
): Promise<{ words: string[]; from: SubjectOrigin } | null> {
    if (packed.numbers('page')[node] !== 1) return null;
    const words = await wordIndexOf(survey, packed);
    if (words === null) return null;
    const said = await saidSubjects(survey.siteId, packed);
    const subject = new SubjectMaker(packed, words, said, await genericOf(survey.siteId)).of(node);
    return { words: subject.words.map(({ word }) => word), from: subject.from };
}
