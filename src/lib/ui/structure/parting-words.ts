/** How an intended page stands to the surveyed site, in words. */
import type { Parting } from '../../core/compare/intended.ts';

export const PARTING_WORDS: Record<Parting, string> = {
    'as intended': 'as intended',
    missing: 'no page found',
    several: 'several pages are called so',
    'not reached': 'not reached by links',
    'not linked from its parent': 'its parent does not link there',
    deeper: 'deeper than intended',
};
