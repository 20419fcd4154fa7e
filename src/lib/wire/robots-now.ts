/** The robots.txt of a host as it is now. */
import { z } from 'zod';

export const RobotsNowAsked = z.object({ origin: z.string().trim().min(1).max(300) });

export const RobotsNow = z.object({
    /** Null where it could not be had; empty where there is none. */
    text: z.string().nullable(),
    /** Status of the answer; null where there was none. */
    status: z.number().nullable(),
    /** What is odd about it, in words; empty for nothing. */
    note: z.string(),
    /** When it was asked for, milliseconds since 1970. */
    at: z.number(),
});
export type RobotsNow = z.infer<typeof RobotsNow>;
