/** Words of links that say nothing, as a site has them beside our lists. */
import { z } from 'zod';
import { genericForm, LONGEST_GENERIC } from '../core/text/generic-words.ts';

const Language = z.union([z.literal(''), z.string().regex(/^[a-z]{2,8}$/, 'A language is its first subtag, as “en”.')]);

const Wording = z
    .string()
    .trim()
    .max(LONGEST_GENERIC, `Words that say nothing are at most ${LONGEST_GENERIC} characters long.`)
    .transform(genericForm)
    .refine((form) => form !== '', 'Give the words as links have them, with a letter or a number among them.');

/** `isGeneric` null takes back what was said of a wording: our list holds again. */
export const GenericChange = z.object({ language: Language, text: Wording, isGeneric: z.boolean().nullable() });
export type GenericChange = z.infer<typeof GenericChange>;

export const GenericSaidList = z.array(z.object({ language: z.string(), text: z.string(), isGeneric: z.boolean() }));

/** What a wording catches, or would catch. */
export const Caught = z.object({ links: z.number(), targets: z.number() });
