/**
 * The main text of each page, without shared blocks: it can be told only when all pages are read, for only then is it
 * known which blocks are shared. Made when a survey ends, from the stored text pieces.
 */
import { createHash } from 'node:crypto';
import { and, asc, eq, gt, lte } from 'drizzle-orm';
import { getTableName } from 'drizzle-orm';
import { signatureOf } from '../../core/doubles/signature.ts';
import { mainTextOf } from '../../core/page/main-text.ts';
import { countWords } from '../../core/page/text.ts';
import { inTransaction } from './batch-store.ts';
import { bulkLoad, RowWriter } from './bulk-load.ts';
import type { Database } from './connect.ts';
import { unpackText } from './rows-store.ts';
import * as schema from './schema.ts';

/** Pages worked at a time: what is held in memory. */
const PAGES_AT_ONCE = 500;
const NONE = new Uint8Array(0);

/** Makes the main texts of a survey anew. O(text of the survey). */
export async function makeMains(db: Database, surveyId: number): Promise<void> {
    const shared = await sharedBlocks(db, surveyId);
    await db.delete(schema.pageMains).where(eq(schema.pageMains.surveyId, surveyId));
    for (let after = -1; ;) {
        const details = await db
            .select({
                page: schema.pageDetails.page,
                text: schema.pageDetails.text,
                signature: schema.pageDetails.signature,
            })
            .from(schema.pageDetails)
            .where(and(eq(schema.pageDetails.surveyId, surveyId), gt(schema.pageDetails.page, after)))
            .orderBy(asc(schema.pageDetails.page))
            .limit(PAGES_AT_ONCE);
        const last = details[details.length - 1];
        if (!last) return;
        const blocks = await blocksOfPages(db, surveyId, after, last.page);
        const writer = new RowWriter();
        for (const { page, text, signature: whole } of details) {
            if (text.length === 0) continue;
            const own = blocks.get(page);
            const pieces = unpackText(text);
            const isShared = (ordinal: number): boolean => shared.has(own?.get(ordinal) ?? -1);
            const main = mainTextOf(pieces, isShared);
            // Most pages lose nothing: their signature is the one that was made when they were read.
            const isWhole = pieces.every((piece) => piece.block < 0 || !isShared(piece.block));
            const signature = isWhole ? whole : bytesOf(signatureOf(main));
            writer.row([
                surveyId,
                page,
                main === '' ? NONE : createHash('sha256').update(main).digest().subarray(0, 8),
                countWords(main),
                signature,
            ]);
        }
        after = last.page;
        await inTransaction(db, (_, connection) =>
            bulkLoad(
                connection,
                getTableName(schema.pageMains),
                ['survey_id', 'page', 'hash', 'words', 'signature'],
                writer,
            ),
        );
    }
}

function bytesOf(signature: Uint32Array | null): Uint8Array {
    return signature === null ? NONE : new Uint8Array(signature.buffer);
}

/** Numbers of the blocks that stand on two pages or more. O(page blocks). */
async function sharedBlocks(db: Database, surveyId: number): Promise<Set<number>> {
    const seenOn = new Map<number, number>();
    const shared = new Set<number>();
    for (let after = -1; ;) {
        const rows = await db
            .select({ page: schema.pageBlocks.page, block: schema.pageBlocks.block })
            .from(schema.pageBlocks)
            .where(and(eq(schema.pageBlocks.surveyId, surveyId), gt(schema.pageBlocks.page, after)))
            .orderBy(asc(schema.pageBlocks.page), asc(schema.pageBlocks.ordinal))
            .limit(50_000);
        if (rows.length === 0) return shared;
        const lastPage = rows[rows.length - 1]!.page;
        for (const { page, block } of rows) {
            const other = seenOn.get(block);
            if (other === undefined) seenOn.set(block, page);
            else if (other !== page) shared.add(block);
        }
        // The last page may be cut in the middle; it is read again from its start, which changes nothing.
        after = rows.length < 50_000 || lastPage - 1 <= after ? lastPage : lastPage - 1;
    }
}

/** For pages in a range: the block at each ordinal. */
async function blocksOfPages(
    db: Database,
    surveyId: number,
    after: number,
    last: number,
): Promise<Map<number, Map<number, number>>> {
    const rows = await db
        .select({ page: schema.pageBlocks.page, ordinal: schema.pageBlocks.ordinal, block: schema.pageBlocks.block })
        .from(schema.pageBlocks)
        .where(
            and(
                eq(schema.pageBlocks.surveyId, surveyId),
                gt(schema.pageBlocks.page, after),
                lte(schema.pageBlocks.page, last),
            ),
        );
    const pages = new Map<number, Map<number, number>>();
    for (const { page, ordinal, block } of rows) {
        const own = pages.get(page);
        if (own) own.set(ordinal, block);
        else pages.set(page, new Map([[ordinal, block]]));
    }
    return pages;
}
