/** The building of a sitemap, as it goes between browser and server. */
import { z } from 'zod';
import { GATES } from '../core/gates/gates.ts';

const listOf = <T extends z.ZodType<unknown, string>>(item: T) =>
    z
        .string()
        .max(2_000)
        .default('')
        .transform((text) => text.split(',').filter((part) => part !== ''))
        .pipe(z.array(item));

/** Gates a page may stop at, and none of them. */
export const BUILD_GATES = ['indexable', ...GATES] as const;

/** What is asked for, as parameters of an address. */
export const SitemapAsked = z.object({
    set: z.string().max(20_000).default('indexable'),
    /** Gates its pages may stop at, with commas between; empty for any. */
    gates: listOf(z.enum(BUILD_GATES)),
    /** Status codes they may have answered; empty for any. */
    statuses: listOf(
        z
            .string()
            .regex(/^[1-9]\d\d$/, 'A status code has three digits.')
            .transform(Number),
    ),
    split: z.enum(['size', 'section']).default('size'),
    dates: z.enum(['pages', 'headers', 'sitemaps', 'none']).default('sitemaps'),
    /** Languages as the pages name them, or none. */
    languages: z.enum(['pages', 'none']).default('none'),
    gzip: z.enum(['yes', 'no']).default('no'),
    /** Address of the folder the files will stand in; the root of the start page's host where it is left out. */
    at: z.string().max(2_000).optional(),
});
export type SitemapAsked = z.infer<typeof SitemapAsked>;

export const SitemapBuilt = z.object({
    /** The set with what was chosen of gates and statuses. */
    set: z.string(),
    /** Of the whole set: what its pages stop at, and what they answered; 0 for what was not read. */
    gates: z.array(z.object({ gate: z.enum(BUILD_GATES), urls: z.number() })),
    statuses: z.array(z.object({ status: z.number(), urls: z.number() })),
    at: z.string(),
    entries: z.number(),
    files: z.array(z.object({ name: z.string(), entries: z.number(), bytes: z.number() })),
    /** Against what sitemaps list today. */
    added: z.number(),
    gone: z.number(),
    /** Listed nowhere, the first of them by reason. */
    refused: z.array(z.object({ why: z.string(), urls: z.number(), first: z.string() })),
});
export type SitemapBuilt = z.infer<typeof SitemapBuilt>;
