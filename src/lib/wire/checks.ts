/** What a site says of the checks, as it is kept and as it goes between browser and server. */
import { z } from 'zod';

/** Checks that are off, and thresholds that are not the register's, by check. */
export const StoredCheckSettings = z.object({
    off: z.array(z.string().max(64)).max(500),
    thresholds: z.record(z.string().max(64), z.number().int()),
});
export type StoredCheckSettings = z.infer<typeof StoredCheckSettings>;

/** Causes, as far as a page asks for them. */
export const CausesAnswer = z.object({
    causes: z.array(
        z.object({
            key: z.string(),
            say: z.string(),
            where: z.string(),
            urls: z.object({ pages: z.number(), set: z.string().nullable() }).nullable(),
        }),
    ),
});
export type CauseFound = z.infer<typeof CausesAnswer>['causes'][number];

/** A check switched on or off, or its threshold set; null for the register's. */
export const CheckChange = z.object({
    check: z.string().max(64),
    isOff: z.boolean().optional(),
    threshold: z
        .number({ error: 'A threshold is a whole number.' })
        .int('A threshold is a whole number.')
        .nullable()
        .optional(),
});
export type CheckChange = z.infer<typeof CheckChange>;

/** Something to live with: a cause by its key, or what a check finds at a URL. */
export const NewAcceptance = z.object({
    /** Left out for a whole cause. */
    check: z.string().max(64).default(''),
    subject: z.string().min(1, 'Say what is accepted.').max(8_000),
    note: z
        .string()
        .trim()
        .min(1, 'Say why: without a reason nobody can tell later whether it still holds.')
        .max(2_000, 'A reason has at most 2,000 characters.'),
});
export type NewAcceptance = z.infer<typeof NewAcceptance>;
