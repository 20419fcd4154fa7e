/** Progress of a survey as it crosses a boundary: from the database, and from server to page. */
import { z } from 'zod';
import type { SurveyProgress } from '../core/survey/settings.ts';

export const Progress: z.ZodType<SurveyProgress> = z.object({
    doing: z.string(),
    read: z.number(),
    // Rows of an older version count them as read.
    unanswered: z.number().default(0),
    found: z.number(),
    rate: z.number(),
    level: z.number().nullable(),
    levels: z.array(z.object({ level: z.number(), read: z.number(), seen: z.number() })),
    closedByRobots: z.number(),
    failures: z.number(),
    waiting: z.string(),
    // Rows of an older version know no warnings.
    warning: z.string().default(''),
    hosts: z.array(
        z.object({
            host: z.string(),
            asked: z.number(),
            milliseconds: z.number(),
            inUse: z.number(),
            allowed: z.number(),
            delay: z.number(),
            crawlDelay: z.number().nullable(),
            slowed: z.string(),
        }),
    ),
    recentFailures: z.array(z.object({ url: z.string(), say: z.string(), at: z.number() })),
    families: z.array(
        z.object({
            pattern: z.string(),
            example: z.string(),
            read: z.number(),
            seen: z.number(),
            state: z.enum(['open', 'closed']),
            reason: z.string(),
            byHand: z.boolean(),
        }),
    ),
    actions: z.number(),
    trapped: z.number(),
    checks: z.object({ done: z.number(), open: z.number() }),
});

/** One server-sent event of a running survey. */
export const ProgressEvent = z.object({
    state: z.string(),
    trouble: z.string(),
    stopAsked: z.boolean(),
    pauseAsked: z.boolean(),
    /** It knocks at the door before it begins. */
    isKnocking: z.boolean(),
    progress: Progress.nullable(),
});
export type ProgressEvent = z.infer<typeof ProgressEvent>;
