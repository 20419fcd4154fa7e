/** A link as a record: one per distinct link and block, the columns of `links.csv`. */

/** Columns of `links.csv`: stable, only ever added at the end (`docs/formats.md`). */
export const LINK_COLUMNS = [
    'source',
    'target',
    'anchor',
    'name',
    'region',
    'rel',
    'kind',
    'followed',
    'line',
    'occurrences',
    'block',
    'internal',
    'target_status',
    'fragment',
    'href',
    'column',
] as const;
export type LinkColumn = (typeof LINK_COLUMNS)[number];
export type LinkRecord = Record<LinkColumn, string | number | boolean | null>;
