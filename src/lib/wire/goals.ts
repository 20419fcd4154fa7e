/** Depth goals of a site, as they are kept and as they go between browser and server. */
import { z } from 'zod';

const Goal = z.number().int('A depth is a whole number.').min(0).max(1_000).nullable();

/** The deepest depth wanted: for all pages, and stricter for those of priority 1 to 3; null for none. */
export const DepthGoals = z.object({ all: Goal, first: Goal, second: Goal, third: Goal });
export type DepthGoals = z.infer<typeof DepthGoals>;

export const NO_GOALS: DepthGoals = { all: null, first: null, second: null, third: null };
