/** The made site as the columns that a survey is packed from. */
import { RowColumns } from '../src/lib/core/pack/row-columns.ts';
import { madeBatches } from './made-rows.ts';

/** Links of the running text of each page: 40 occurrences a page with menu, footer and section. */
export const OWN = 15;

/** Rows of the made site, taken in one by one as from a database. */
export function rowsOf(pages: number): RowColumns {
    const rows = new RowColumns();
    for (const batch of madeBatches({ pages, own: OWN })) {
        for (const row of batch.addresses) rows.address(row);
        for (const row of batch.pages) rows.page(row);
        for (const row of batch.lists) rows.list(row);
        for (const row of batch.blocks) rows.block(row);
        for (const row of batch.pageBlocks) rows.pageBlock(row);
        rows.evidence.push(...batch.evidence);
        rows.files.push(...batch.files);
    }
    return rows;
}
