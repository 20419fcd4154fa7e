/** Progress of a survey as it crosses a boundary: from the database, and from server to page. */
import { z } from 'zod';
import { problemText } from '../core/problems/problem.ts';
import { levelRanges } from '../core/survey/level-ranges.ts';
import { CRAWL_STEPS, type SlowReason, type SurveyProgress } from '../core/survey/progress.ts';

const Slow: z.ZodType<SlowReason> = z.discriminatedUnion('code', [
    z.object({ code: z.literal('answered'), status: z.number() }),
    z.object({ code: z.literal('slower'), times: z.number() }),
]);

export const Progress: z.ZodType<SurveyProgress> = z.object({
    doing: z.enum(CRAWL_STEPS),
    read: z.number(),
    // Rows of an older version count them as read.
    unanswered: z.number().default(0),
    found: z.number(),
    rate: z.number(),
    level: z.number().nullable(),
    levels: z.union([
        z.array(z.object({ from: z.number(), to: z.number(), read: z.number(), seen: z.number() })),
        // Rows of an older version tell each level by itself, from the first on.
        z.array(z.object({ level: z.number(), read: z.number(), seen: z.number() })).transform((levels) =>
            levelRanges(
                levels.map(({ seen }) => seen),
                levels.map(({ read }) => read),
            ),
        ),
    ]),
    closedByRobots: z.number(),
    failures: z.number(),
    waiting: z
        .discriminatedUnion('code', [
            z.object({ code: z.literal('rest'), host: z.string(), why: Slow.nullable(), seconds: z.number() }),
            z.object({
                code: z.literal('slowed'),
                host: z.string(),
                why: Slow,
                allowed: z.number(),
                of: z.number(),
            }),
        ])
        .nullable(),
    // Rows of an older version know no warnings.
    warning: z.object({ free: z.number(), need: z.number() }).nullable().default(null),
    hosts: z.array(
        z.object({
            host: z.string(),
            asked: z.number(),
            milliseconds: z.number(),
            inUse: z.number(),
            allowed: z.number(),
            delay: z.number(),
            crawlDelay: z.number().nullable(),
            slowed: Slow.nullable(),
        }),
    ),
    recentFailures: z.array(z.object({ url: z.string(), failure: z.string().transform(problemText), at: z.number() })),
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
