/** The rows of a survey read back: all of them for measuring and going on, or one page's for looking at. */
import { and, eq, inArray, ne } from 'drizzle-orm';
import { z } from 'zod';
import type { PageText } from '../../core/page/read-page.ts';
import type { PageFactsRecord } from '../../core/survey/page-details.ts';
import { emptyRows, type LayoutRow, type SurveyRows } from '../../core/survey/survey-rows.ts';
import { RowColumns } from '../../core/pack/row-columns.ts';
import { unpackBytes, unpackJson } from '../packed-json.ts';
import type { Database } from './connect.ts';
import { unpackPlaces } from './packing.ts';
import { RowReader } from './row-reader.ts';
import * as schema from './schema.ts';

/** The rows of a survey as columns, for packing; as one consistent reading. Layouts are looked up when a link is shown. */
export async function loadColumns(db: Database, surveyId: number): Promise<RowColumns> {
    const columns = new RowColumns();
    await db.transaction(
        async (tx) => {
            const read = new RowReader(tx, surveyId);
            for await (const row of read.addresses()) columns.address(row);
            for await (const row of read.pages()) columns.page(row);
            for await (const row of read.lists()) columns.list(row);
            for await (const row of read.blocks()) columns.block(row);
            for await (const row of read.pageBlocks()) columns.pageBlock(row);
            for await (const { id: _, ...row } of read.evidence()) columns.evidence.push(row);
            columns.files.push(...(await read.files()));
            for await (const row of read.checks()) columns.checks.push(row);
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    return columns;
}

/** All rows of a survey but the details of its pages, as one consistent reading. */
export async function loadRows(db: Database, surveyId: number): Promise<SurveyRows> {
    const rows = emptyRows();
    await db.transaction(
        async (tx) => {
            const read = new RowReader(tx, surveyId);
            for await (const row of read.addresses()) rows.addresses.push(row);
            for await (const row of read.pages()) rows.pages.push(row);
            for await (const row of read.lists()) rows.lists.push(row);
            for await (const row of read.layouts()) rows.layouts.push(row);
            for await (const row of read.blocks()) rows.blocks.push(row);
            for await (const row of read.pageBlocks()) rows.pageBlocks.push(row);
            for await (const { id: _, ...row } of read.evidence()) rows.evidence.push(row);
            rows.files = await read.files();
            for await (const row of read.checks()) rows.checks.push(row);
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    return rows;
}

const FactsRecord: z.ZodType<PageFactsRecord> = z.object({
    document: z
        .object({
            headings: z.array(z.object({ level: z.number(), text: z.string() })),
            social: z.array(z.object({ name: z.string(), content: z.string() })),
            structured: z.array(
                z.object({
                    syntax: z.enum(['json-ld', 'microdata', 'rdfa']),
                    types: z.array(z.string()),
                    error: z.string(),
                    line: z.number(),
                }),
            ),
            dates: z.array(
                z.object({
                    from: z.enum(['time', 'structured data', 'meta', 'header', 'sitemap']),
                    what: z.string(),
                    value: z.string(),
                }),
            ),
            ids: z.array(z.string()),
            noscriptLinks: z.number(),
            robotsInBody: z.array(z.string()),
            canonicalsInBody: z.array(z.string()),
        })
        .nullable(),
    sentType: z.string(),
    charset: z.string(),
    charsetFrom: z.string(),
    headers: z.array(z.tuple([z.string(), z.string()])),
    cookieNames: z.array(z.string()),
});

const PackedText = z.tuple([z.array(z.number()), z.array(z.string())]);

export function unpackText(bytes: Uint8Array): PageText[] {
    if (bytes.length === 0) return [];
    const [blocks, texts] = PackedText.parse(unpackJson(bytes));
    return texts.map((text, index) => ({ block: blocks[index] ?? -1, text }));
}

export interface PageDetails {
    facts: PageFactsRecord;
    text: PageText[];
    /** The source was kept. */
    hasSource: boolean;
}

/** Facts and text of one page; null where nothing was kept of it. */
export async function loadPageDetails(db: Database, surveyId: number, page: number): Promise<PageDetails | null> {
    const [row] = await db
        .select()
        .from(schema.pageDetails)
        .where(and(eq(schema.pageDetails.surveyId, surveyId), eq(schema.pageDetails.page, page)));
    if (!row) return null;
    const [source] = await db
        .select({ page: schema.pageSources.page })
        .from(schema.pageSources)
        .where(and(eq(schema.pageSources.surveyId, surveyId), eq(schema.pageSources.page, page)));
    return {
        facts: FactsRecord.parse(unpackJson(row.facts)),
        text: unpackText(row.text),
        hasSource: source !== undefined,
    };
}

/** Layouts by their numbers. */
export async function loadLayouts(db: Database, surveyId: number, ids: number[]): Promise<Map<number, LayoutRow>> {
    if (ids.length === 0) return new Map();
    const { layouts } = schema;
    const rows = await db
        .select()
        .from(layouts)
        .where(and(eq(layouts.surveyId, surveyId), inArray(layouts.id, ids)));
    return new Map(rows.map(({ id, places }) => [id, unpackPlaces(id, places)]));
}

/** The received source of one page, as bytes; null where it was not kept. */
export async function loadSource(db: Database, surveyId: number, page: number): Promise<Buffer | null> {
    const [row] = await db
        .select()
        .from(schema.pageSources)
        .where(and(eq(schema.pageSources.surveyId, surveyId), eq(schema.pageSources.page, page)));
    return row ? unpackBytes(row.source) : null;
}

/** Main text facts of one page, with pages of the same main text; null before the survey has ended. */
export async function loadMain(
    db: Database,
    surveyId: number,
    page: number,
    most: number,
): Promise<{ words: number; same: number[] } | null> {
    const { pageMains } = schema;
    const [main] = await db
        .select()
        .from(pageMains)
        .where(and(eq(pageMains.surveyId, surveyId), eq(pageMains.page, page)));
    if (!main) return null;
    if (main.hash.length === 0) return { words: main.words, same: [] };
    const same = await db
        .select({ page: pageMains.page })
        .from(pageMains)
        .where(and(eq(pageMains.surveyId, surveyId), eq(pageMains.hash, main.hash), ne(pageMains.page, page)))
        .limit(most);
    return { words: main.words, same: same.map((row) => row.page) };
}

export interface StoredSource {
    page: number;
    source: Buffer;
    /** Content-Type as sent, with its parameters. */
    sentType: string;
}

const SentType = z.object({ sentType: z.string() });

/** The received sources of pages that were kept, in no order. */
export async function loadSources(db: Database, surveyId: number, pages: readonly number[]): Promise<StoredSource[]> {
    if (pages.length === 0) return [];
    const { pageSources, pageDetails } = schema;
    const rows = await db
        .select({ page: pageSources.page, source: pageSources.source, facts: pageDetails.facts })
        .from(pageSources)
        .innerJoin(
            pageDetails,
            and(eq(pageDetails.surveyId, pageSources.surveyId), eq(pageDetails.page, pageSources.page)),
        )
        .where(and(eq(pageSources.surveyId, surveyId), inArray(pageSources.page, [...pages])));
    return rows.map(({ page, source, facts }) => ({
        page,
        source: unpackBytes(source),
        sentType: SentType.parse(unpackJson(facts)).sentType,
    }));
}
