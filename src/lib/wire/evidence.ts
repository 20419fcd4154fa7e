/** What the pages and the server say to each other about lists of evidence. */
import { z } from 'zod';

export const Mapping = z.object({
    hasHeader: z.boolean(),
    url: z.number().int().min(0).max(1_000),
    source: z.number().int().min(0).max(1_000).nullable(),
    kept: z
        .array(
            z.object({
                index: z.number().int().min(0).max(1_000),
                name: z.string().max(60),
                type: z.enum(['number', 'date']),
            }),
        )
        .max(50),
});

/** Answer to an upload: how its columns would be taken; no table for an access log. */
export const UploadAnswer = z.object({
    upload: z.string(),
    preview: z.object({ separator: z.string(), rows: z.array(z.array(z.string())), mapping: Mapping }).nullable(),
});
export type UploadPreview = NonNullable<z.infer<typeof UploadAnswer>['preview']>;

export const ListRequest = z.object({
    separator: z.string().length(1),
    mapping: Mapping.nullable(),
    robotWords: z.array(z.string().max(100)).max(1_000),
    /** Take it although most of its first lines cannot be read. */
    anyway: z.boolean().default(false),
});
