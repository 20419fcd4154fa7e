/** One page as a record: the columns of `pages.csv`, and what tables and sheets show. */

/** Columns of `pages.csv`: stable, only ever added at the end (`docs/formats.md`). */
export const PAGE_COLUMNS = [
    'url',
    'status',
    'content_type',
    'redirect_to',
    'depth',
    'gate',
    'indexable',
    'incoming_links',
    'incoming_pages',
    'outgoing_links',
    'standing',
    'section',
    'title',
    'h1',
    'canonical',
    'meta_robots',
    'robots_allowed',
    'in_sitemap',
    'evidence',
    'orphan',
    'words',
    'gate_reason',
    'reached',
    'not_read',
    'incoming_followed',
    'x_robots_tag',
    'description',
    'language',
    'folder_depth',
    'bytes',
    'milliseconds',
    'type_note',
    'body_trouble',
] as const;
export type PageColumn = (typeof PAGE_COLUMNS)[number];

/** Null is "not known" and is written as an empty cell. */
export type PageRecord = Record<PageColumn, string | number | boolean | null>;
