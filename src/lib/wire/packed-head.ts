/** The head of a packed survey, checked where its bytes come from elsewhere: the database, a thread, the server. */
import { z } from 'zod';
import type { PackedHead as Head } from '../core/packed/packed-survey.ts';
import { CUT_REASONS, SURVEY_STATES } from '../core/survey/survey-rows.ts';

const count = z.number().int().min(0);

export const PackedHead: z.ZodType<Head> = z.object({
    count,
    start: z.string(),
    starts: z.array(count),
    state: z.enum(SURVEY_STATES),
    cut: z.array(z.enum(CUT_REASONS)),
    complete: z.boolean(),
    hasSitemap: z.boolean(),
    files: z.array(
        z.object({
            kind: z.enum(['robots', 'sitemap']),
            url: z.string(),
            status: z.number().int().nullable(),
            note: z.string(),
            entries: count.nullable(),
        }),
    ),
    given: z.array(
        z.object({ name: z.string(), list: z.string(), type: z.enum(['number', 'date']), column: z.string() }),
    ),
    nearText: z.number(),
    templates: z.array(
        z.object({ name: z.string(), region: z.string(), place: z.string(), pages: count, holds: count }),
    ),
    leak: z.number(),
});
