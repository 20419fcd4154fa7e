/** Sets and priorities, as they go between browser and server. */
import { z } from 'zod';

export const NamedSet = z.object({
    name: z.string().trim().min(1, 'Give the set a name.').max(100, 'A name has at most 100 characters.'),
    expression: z.string().max(20_000, 'The set is longer than 20,000 characters.'),
});

export const PrioritySaid = z.object({
    by: z.enum(['page', 'set', 'column']),
    subject: z.string().min(1).max(20_000),
    value: z.number().int().min(1).max(3).nullable(),
});

export const CompletionAnswer = z.object({
    from: z.number(),
    to: z.number(),
    options: z.array(z.object({ insert: z.string(), what: z.string(), pages: z.number().nullable() })),
});
export type CompletionAnswer = z.infer<typeof CompletionAnswer>;

const Value = z.union([z.string(), z.number(), z.boolean(), z.null()]);

export const PageWindowAnswer = z.object({
    total: z.number(),
    from: z.number(),
    rows: z.array(z.object({ url: z.string(), record: z.record(z.string(), Value) })),
});

export const LinkWindowAnswer = z.object({
    total: z.number(),
    from: z.number(),
    rows: z.array(z.object({ source: z.string(), target: z.string().nullable(), record: z.record(z.string(), Value) })),
});
