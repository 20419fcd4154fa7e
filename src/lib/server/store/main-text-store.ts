/**
 * The main text of each page, without shared blocks: it can be told only when all pages are read, for only then is it
 * known which blocks are shared. Made when a survey ends, from the stored text pieces.
 */
import { and, asc, eq, getTableName, gt, inArray } from 'drizzle-orm';
import type { RowDataPacket } from 'mysql2/promise';
import { z } from 'zod';
import { signatureOf } from '../../core/doubles/signature.ts';
import { mainTextOf, unpackOutline } from '../../core/page/main-text.ts';
import { countWords } from '../../core/page/word-breaks.ts';
import { unpackJson } from '../packed-json.ts';
import { textHash } from '../text-hash.ts';
import { inTransaction } from './batch-store.ts';
import { bulkLoad, RowWriter } from './bulk-load.ts';
import type { Database } from './connect.ts';
import { unpackText } from './rows-store.ts';
import * as schema from './schema.ts';

/** Pages worked at a time: what is held in memory. */
const PAGES_AT_ONCE = 2_000;
/** Texts held at a time. */
const TEXTS_AT_ONCE = 200;
const NONE = new Uint8Array(0);

/**
 * Makes the main texts of a survey anew. Most pages lose nothing: what was told of their text when they were read holds.
 * The text of the others is unpacked and made again. O(pages + text of those others).
 */
export async function makeMains(db: Database, surveyId: number): Promise<void> {
    const shared = await sharedBlocks(db, surveyId);
    await db.delete(schema.pageMains).where(eq(schema.pageMains.surveyId, surveyId));
    const { pageDetails } = schema;
    for (let after = -1; ;) {
        const details = await db
            .select({ page: pageDetails.page, outline: pageDetails.outline, signature: pageDetails.signature })
            .from(pageDetails)
            .where(and(eq(pageDetails.surveyId, surveyId), gt(pageDetails.page, after)))
            .orderBy(asc(pageDetails.page))
            .limit(PAGES_AT_ONCE);
        const last = details[details.length - 1];
        if (!last) return;
        const blocks = await blocksOfPages(db, surveyId, after, last.page);
        const isShared = (page: number, ordinal: number): boolean => shared.has(blocks.get(page)?.get(ordinal) ?? -1);
        const writer = new RowWriter();
        const again: number[] = [];
        for (const { page, outline, signature } of details) {
            const whole = unpackOutline(outline);
            if (whole === null || whole.blocks.some((ordinal) => isShared(page, ordinal))) again.push(page);
            else writer.row([surveyId, page, whole.hash, whole.words, signature]);
        }
        for (let from = 0; from < again.length; from += TEXTS_AT_ONCE) {
            const texts = await db
                .select({ page: pageDetails.page, text: pageDetails.text })
                .from(pageDetails)
                .where(
                    and(
                        eq(pageDetails.surveyId, surveyId),
                        inArray(pageDetails.page, again.slice(from, from + TEXTS_AT_ONCE)),
                    ),
                );
            for (const { page, text } of texts) {
                if (text.length === 0) continue;
                const main = mainTextOf(unpackText(text), (ordinal) => isShared(page, ordinal));
                writer.row([surveyId, page, textHash(main), countWords(main), bytesOf(signatureOf(main))]);
            }
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

export interface MainText {
    page: number;
    text: string;
    /** Language the page says it is in (BCP 47); empty where it says none. */
    language: string;
    /** Texts of its headings, in order. */
    headings: string[];
}

const Headings = z.object({
    document: z.object({ headings: z.array(z.object({ text: z.string() })) }).nullable(),
});

/** The main text of each page that has one, in the order of their addresses. O(text of the survey). */
export async function* mainTexts(db: Database, surveyId: number): AsyncGenerator<MainText> {
    const shared = await sharedBlocks(db, surveyId);
    const { pageDetails, pages } = schema;
    for (let after = -1; ;) {
        const details = await db
            .select({
                page: pageDetails.page,
                text: pageDetails.text,
                facts: pageDetails.facts,
                language: pages.language,
            })
            .from(pageDetails)
            .innerJoin(pages, and(eq(pages.surveyId, pageDetails.surveyId), eq(pages.address, pageDetails.page)))
            .where(and(eq(pageDetails.surveyId, surveyId), gt(pageDetails.page, after)))
            .orderBy(asc(pageDetails.page))
            .limit(TEXTS_AT_ONCE);
        const last = details[details.length - 1];
        if (!last) return;
        const blocks = await blocksOfPages(db, surveyId, after, last.page);
        for (const { page, text, facts, language } of details) {
            const isShared = (ordinal: number): boolean => shared.has(blocks.get(page)?.get(ordinal) ?? -1);
            const main = text.length === 0 ? '' : mainTextOf(unpackText(text), isShared);
            if (main === '') continue;
            const { document } = Headings.parse(unpackJson(facts));
            yield { page, text: main, language, headings: document?.headings.map((heading) => heading.text) ?? [] };
        }
        after = last.page;
    }
}

const Numbers = z.array(z.array(z.number()));

/** Rows of numbers, as plain arrays: an object for each of millions of rows costs more than the query. */
async function numbers(db: Database, sql: string, values: number[]): Promise<number[][]> {
    const [rows] = await db.$client.query<RowDataPacket[][]>({ sql, values, rowsAsArray: true });
    return Numbers.parse(rows);
}

/** Numbers of the blocks that stand on two pages or more. O(page blocks), in the database. */
async function sharedBlocks(db: Database, surveyId: number): Promise<Set<number>> {
    const rows = await numbers(
        db,
        'SELECT block FROM page_block WHERE survey_id = ? GROUP BY block HAVING MIN(page) <> MAX(page)',
        [surveyId],
    );
    return new Set(rows.map((row) => row[0]!));
}

/** For pages in a range: the block at each ordinal. */
async function blocksOfPages(
    db: Database,
    surveyId: number,
    after: number,
    last: number,
): Promise<Map<number, Map<number, number>>> {
    const rows = await numbers(
        db,
        'SELECT page, ordinal, block FROM page_block WHERE survey_id = ? AND page > ? AND page <= ?',
        [surveyId, after, last],
    );
    const pages = new Map<number, Map<number, number>>();
    for (const [page, ordinal, block] of rows as [number, number, number][]) {
        const own = pages.get(page);
        if (own) own.set(ordinal, block);
        else pages.set(page, new Map([[ordinal, block]]));
    }
    return pages;
}
