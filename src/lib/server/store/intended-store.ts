/** The structure an architect intends for a site: a list of pages, each below another; kept whole. */
import { asc, eq } from 'drizzle-orm';
import type { IntendedPage } from '../../core/compare/intended.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

const ROWS_AT_ONCE = 500;

export async function listIntended(db: Database, siteId: number): Promise<IntendedPage[]> {
    const { intendedPages } = schema;
    const rows = await db
        .select()
        .from(intendedPages)
        .where(eq(intendedPages.siteId, siteId))
        .orderBy(asc(intendedPages.ordinal));
    return rows.map(({ label, parent, priority }) => ({ label, parent, priority }));
}

/** Keeps a list in place of the former one; an empty list takes it away. */
export async function saveIntended(db: Database, siteId: number, pages: readonly IntendedPage[]): Promise<void> {
    const { intendedPages } = schema;
    await db.transaction(async (tx) => {
        await tx.delete(intendedPages).where(eq(intendedPages.siteId, siteId));
        for (let from = 0; from < pages.length; from += ROWS_AT_ONCE) {
            await tx
                .insert(intendedPages)
                .values(
                    pages
                        .slice(from, from + ROWS_AT_ONCE)
                        .map((page, index) => ({ siteId, ordinal: from + index, ...page })),
                );
        }
    });
}
