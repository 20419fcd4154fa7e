/** What *Completeness* shows: how much of the site is known, and what the survey cannot claim. */
import { completenessOf } from '../areas/completeness.ts';
import { limitsOf } from '../checks/limits.ts';
import type { Evidence } from '../evidence/evidence.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const MOST_SECTIONS = 40;
const MOST_LOST = 50;

/** Needs `core`, `text` and the measures. @param given evidence from outside that somebody gave */
export function completenessView(survey: PackedSurvey, given: ReadonlySet<Evidence>) {
    const known = once(survey, 'completeness', [[...given].sort().join(' ')], () => completenessOf(survey, given));
    return {
        cannotClaim: limitsOf(survey, known.notRead, known.notAsked),
        complete: {
            ...known,
            sections: known.sections.slice(0, MOST_SECTIONS),
            folders: known.folders.slice(0, MOST_SECTIONS),
            moreSections: Math.max(0, known.sections.length - MOST_SECTIONS),
            lost: known.lost.slice(0, MOST_LOST),
        },
    };
}

export type CompletenessView = ReturnType<typeof completenessView>;
