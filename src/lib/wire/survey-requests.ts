/** What pages ask of a survey. */
import { z } from 'zod';

export const ResumeRequest = z.strictObject({
    maxPages: z.number().int().min(1).max(1_000_000).optional(),
    maxDepth: z.number().int().min(0).max(1_000).nullable().optional(),
    maxMinutes: z.number().min(0.001).max(100_000).nullable().optional(),
});

export const DecisionRequest = z.strictObject({
    kind: z.enum(['family', 'action']),
    of: z.string().min(1).max(8_192),
    state: z.enum(['open', 'closed']),
});

export const SpotRequest = z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('page'), url: z.string().max(8_192) }),
    z.strictObject({ kind: z.literal('folder'), url: z.string().max(8_192) }),
    z.strictObject({ kind: z.literal('set') }),
]);

export const SpotAnswer = z.object({ number: z.number() });

/** What a route says when it refuses. */
export const Refusal = z.object({ message: z.string(), doubt: z.boolean().optional() });
