/** How many followed incoming pages a page should have, by its priority. */
import { z } from 'zod';

const Wanted = z.number().int('A number of links is a whole number.').min(1).max(1_000).nullable();

/** For pages of priority 1 to 3, and for all others; null for none. */
export const WantedLinks = z.object({ first: Wanted, second: Wanted, third: Wanted, others: Wanted });
export type WantedLinks = z.infer<typeof WantedLinks>;

export const NO_WANTED: WantedLinks = { first: null, second: null, third: null, others: null };
