/** What pages are about, as the architect says it. */
import { z } from 'zod';

const Words = z.array(z.string().trim().min(1).max(200)).max(50, 'A subject has at most 50 words and phrases.');

/** Words of one page or of a set; none takes back what was said. */
export const SaidSubject = z.object({
    by: z.enum(['page', 'set']),
    /** A URL, or a line of the set language. */
    subject: z.string().trim().min(1, 'Say of which page or set.').max(4_000),
    words: Words,
});
export type SaidSubject = z.infer<typeof SaidSubject>;

/** Several at once: a list that was brought. */
export const SaidSubjects = z.object({ subjects: z.array(SaidSubject).min(1).max(20_000) });
