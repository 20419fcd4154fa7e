/** How anchors stand to their targets, with what the architect says of subjects. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { fitsOf } from '../../core/subjects/anchor-fit.ts';
import type { SaidSubjects } from '../../core/subjects/subject.ts';
import type { WordIndex } from '../../core/text/word-index.ts';

/** Those kept with the words; links to pages whose subject was said are judged again. Needs `text` and `links`. */
export function anchorFits(survey: PackedSurvey, words: WordIndex, said: SaidSubjects): ArrayLike<number> {
    const before = words.fits;
    if (before === null) return fitsOf(survey, words, said);
    const targets = new Set([...said.keys()].map((url) => survey.nodeOf(url)).filter((node) => node !== -1));
    return targets.size === 0 ? before : fitsOf(survey, words, said, { targets, before });
}
