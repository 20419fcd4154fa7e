/** What *Intended structure* shows: the structure that was meant, beside what the survey found. */
import { againstIntended, printOutline, type IntendedPage, type Parting } from '../compare/intended.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const MOST_SHOWN = 500;

const PARTED = ['intended but not reached', 'intended but not linked', 'intended but deeper'];
/** Sets of the pages that stand to the structure in each way; what has no page, or several, is none. */
export const INTENDED_SETS: Partial<Record<Parting, string>> = {
    'as intended': `intended and not (${PARTED.join(' or ')})`,
    'not reached': PARTED[0]!,
    'not linked from its parent': PARTED[1]!,
    deeper: PARTED[2]!,
};

/** Needs `core`, `text` and the measures. @param only how those stand to the structure that are shown; null for all */
export function structureView(survey: PackedSurvey, pages: readonly IntendedPage[], only: string | null) {
    const against = againstIntended(survey, pages);
    const counts = new Map<Parting, number>();
    for (const { parting } of against) counts.set(parting, (counts.get(parting) ?? 0) + 1);
    const shown = only === null ? against : against.filter(({ parting }) => parting === only);
    return {
        total: pages.length,
        counts: [...counts].map(([parting, count]) => ({ parting, count })),
        only,
        /** The pages of the rows that are shown, as a set; null where the rows name none. */
        set: only === null ? 'intended' : (INTENDED_SETS[only as Parting] ?? null),
        setSize: new Set(shown.flatMap(({ node }) => (node === null ? [] : [node]))).size,
        shown: shown.slice(0, MOST_SHOWN).map(({ node: _, ...row }) => row),
        more: Math.max(0, shown.length - MOST_SHOWN),
        outline: printOutline(pages),
    };
}

export type StructureView = ReturnType<typeof structureView>;
