/** How anchors stand to their targets, with what the architect says of subjects. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { calledOtherwise, fitsOf } from '../../core/subjects/anchor-fit.ts';
import type { SaidSubjects } from '../../core/subjects/subject.ts';
import type { GenericWords } from '../../core/text/generic-words.ts';
import type { WordIndex } from '../../core/text/word-index.ts';

/**
 * Those kept with the words; links to pages whose subject was said, or that are called by words of which the site says
 * whether they say something, are judged again. Needs `text` and `links`.
 */
export function anchorFits(
    survey: PackedSurvey,
    words: WordIndex,
    said: SaidSubjects,
    generic: GenericWords,
): ArrayLike<number> {
    const before = words.fits;
    if (before === null) return fitsOf(survey, words, said, generic);
    const targets = new Set([...said.keys()].map((url) => survey.nodeOf(url)).filter((node) => node !== -1));
    for (const target of calledOtherwise(survey, generic)) targets.add(target);
    return targets.size === 0 ? before : fitsOf(survey, words, said, generic, { targets, before });
}
