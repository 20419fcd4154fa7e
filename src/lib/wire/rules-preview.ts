/** What URL rules would merge, as it crosses from server to page. */
import { z } from 'zod';

export const RulesPreviewAnswer = z.object({
    /** Number of the survey whose URLs were looked at. */
    survey: z.number(),
    known: z.number(),
    previews: z.array(
        z.object({
            rule: z.string(),
            merged: z.number(),
            rewritten: z.number(),
            examples: z.array(z.object({ url: z.string(), of: z.array(z.string()) })),
        }),
    ),
});
export type RulesPreviewAnswer = z.infer<typeof RulesPreviewAnswer>;
