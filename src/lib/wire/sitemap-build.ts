/** The building of a sitemap, as it goes between browser and server. */
import { z } from 'zod';

/** What is asked for, as parameters of an address. */
export const SitemapAsked = z.object({
    set: z.string().max(20_000).default('indexable'),
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
    set: z.string(),
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
