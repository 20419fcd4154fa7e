/** Changes to links that are laid aside, as they go between browser and server. */
import { z } from 'zod';

export const CHANGE_KINDS = ['add', 'reword', 'retarget', 'remove'] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** An address as it is stored: at most 4,096 bytes. */
export const StoredUrl = z
    .string()
    .max(4_000)
    .refine((url) => new TextEncoder().encode(url).length <= 4_096, 'An address may have 4,096 bytes.');
const Url = StoredUrl;
const Text = z.string().trim().max(4_000);

/** What is so of the link now, and what it is to become; empty where it is not there, or goes. */
export const LaidChange = z
    .object({
        kind: z.enum(CHANGE_KINDS),
        page: Url.regex(/^https?:\/\//, 'Say on which page, by its URL.'),
        line: z.number().int().min(0).default(0),
        block: Text.default(''),
        oldAnchor: Text.default(''),
        newAnchor: Text.default(''),
        oldTarget: Url.default(''),
        newTarget: Url.default(''),
        sentence: Text.default(''),
    })
    .refine(({ kind, newTarget }) => kind === 'reword' || kind === 'remove' || newTarget !== '', {
        message: 'Say where the link is to lead.',
    })
    .refine(({ kind, newAnchor }) => (kind !== 'add' && kind !== 'reword') || newAnchor !== '', {
        message: 'Say which words the link is to have.',
    })
    .refine(({ kind, oldTarget }) => kind === 'add' || oldTarget !== '', { message: 'Say which link, by its target.' });
export type LaidChange = z.infer<typeof LaidChange>;

/** Several at once: one of many links to re-word. */
export const LaidChanges = z.object({ changes: z.array(LaidChange).min(1).max(5_000) });

export const KeptChange = z.object({
    id: z.number().int(),
    survey: z.number().int(),
    kind: z.enum(CHANGE_KINDS),
    page: z.string(),
    line: z.number(),
    block: z.string(),
    oldAnchor: z.string(),
    newAnchor: z.string(),
    oldTarget: z.string(),
    newTarget: z.string(),
    sentence: z.string(),
    createdAt: z.number(),
});
export type KeptChange = z.infer<typeof KeptChange>;
export const KeptChanges = z.array(KeptChange);
