/** A sitemap that is judged beside a survey: what is asked, and what comes back. */
import { z } from 'zod';
import { GATES } from '../core/gates/gates.ts';

export const SitemapAsked = z.union([
    z.object({ url: z.string().min(1).max(4_096) }),
    z.object({ text: z.string().min(1), at: z.string().max(4_096).default('') }),
]);

const Entry = z.object({ url: z.string(), line: z.number() });

export const SitemapJudgedAnswer = z.object({
    at: z.string().nullable(),
    kind: z.string(),
    bytes: z.number().nullable(),
    steps: z.array(z.object({ test: z.string(), tried: z.string(), seen: z.string(), ok: z.boolean().nullable() })),
    against: z
        .object({
            entries: z.number(),
            indexable: z.number(),
            stopped: z.array(z.object({ gate: z.enum(GATES), entries: z.number(), first: Entry })),
            notRead: z.number(),
            unheard: z.object({ entries: z.number(), first: Entry.nullable() }),
            lacking: z.number(),
        })
        .nullable(),
});
export type SitemapJudgedAnswer = z.infer<typeof SitemapJudgedAnswer>;
