/** Names of all columns of the packed survey: those of pages are declared in `columns/`, the others here. */
import type { FACT_COLUMNS } from '../columns/fact-columns.ts';
import type { MEASURE_COLUMNS } from '../columns/measure-columns.ts';

/** Of sitemaps, canonicals, blocks and links: columns of numbers beside those of pages (`docs/formats.md`). */
export type InnerName =
    | 'canonical_start'
    | 'canonical'
    | 'sitemap_start'
    | 'sitemap'
    | 'page_block_start'
    | 'page_block'
    | 'page_block_layout'
    | 'page_block_line'
    | 'block_region'
    | 'block_list'
    | 'block_place'
    | 'block_pages'
    | 'block_template'
    | 'list_start'
    | 'link_target'
    | 'link_kind'
    | 'link_follow'
    | 'link_anchor'
    | 'link_name'
    | 'link_rel'
    | 'link_fragment'
    | 'link_fragment_lost'
    | 'link_text'
    | 'link_marks'
    | 'other_internal'
    | 'other_address'
    | 'other_status'
    | 'other_check'
    | 'evidence_row_start'
    | 'evidence_row_kind'
    | 'evidence_row_source'
    | 'evidence_row_line'
    | 'evidence_row_lastmod';
type InnerText = 'other_url' | 'block_name' | 'sitemap_words';

export type FactName = (typeof FACT_COLUMNS)[number]['id'];
export type MeasureName = (typeof MEASURE_COLUMNS)[number]['id'];
export type NumberName = FactName | MeasureName | InnerName;
/** Tables of texts; those of which many are the same have their numbers in a column and their words in a table. */
export type TextName = FactName | InnerText | `${FactName | InnerName}_words`;
