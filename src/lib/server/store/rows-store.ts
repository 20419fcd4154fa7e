/** The rows of a survey read back: all of them for measuring and going on, or one page's for looking at. */
import { and, asc, eq, ne } from 'drizzle-orm';
import { z } from 'zod';
import type { Signature } from '../../core/doubles/signature.ts';
import { REGIONS } from '../../core/page/links.ts';
import type { PageText } from '../../core/page/read-page.ts';
import type { PageFactsRecord } from '../../core/survey/page-details.ts';
import { emptyRows, NOT_READ_REASONS, type PageRow, type SurveyRows } from '../../core/survey/survey-rows.ts';
import { unpackBytes, unpackJson } from '../packed-json.ts';
import type { Database } from './connect.ts';
import { unpackLinks, unpackPlaces } from './packing.ts';
import * as schema from './schema.ts';

/** All rows of a survey but the details of its pages, as one consistent reading. */
export async function loadRows(db: Database, surveyId: number): Promise<SurveyRows> {
    const rows = emptyRows();
    await db.transaction(
        async (tx) => {
            const of = <T extends { surveyId: typeof schema.pages.surveyId }>(table: T) => eq(table.surveyId, surveyId);
            const addresses = await tx
                .select()
                .from(schema.addresses)
                .where(eq(schema.addresses.surveyId, surveyId))
                .orderBy(asc(schema.addresses.id));
            rows.addresses = addresses.map(({ id, url, internal }) => ({ id, url, internal }));
            const pages = await tx.select().from(schema.pages).where(of(schema.pages));
            rows.pages = pages.map(toPage);
            const lists = await tx.select().from(schema.linkLists).where(eq(schema.linkLists.surveyId, surveyId));
            rows.lists = lists.map((row) => ({ id: row.id, links: unpackLinks(row.links) }));
            const layouts = await tx.select().from(schema.layouts).where(eq(schema.layouts.surveyId, surveyId));
            rows.layouts = layouts.map((row) => unpackPlaces(row.id, row.places));
            const blocks = await tx.select().from(schema.blocks).where(eq(schema.blocks.surveyId, surveyId));
            rows.blocks = blocks.map(({ id, region, place, list, name }) => ({
                id,
                region: REGIONS[region] ?? 'other',
                place,
                list,
                name,
            }));
            const pageBlocks = await tx
                .select()
                .from(schema.pageBlocks)
                .where(eq(schema.pageBlocks.surveyId, surveyId));
            rows.pageBlocks = pageBlocks.map(({ page, ordinal, block, layout, line }) => ({
                page,
                ordinal,
                block,
                layout,
                line,
            }));
            const evidence = await tx
                .select()
                .from(schema.evidence)
                .where(eq(schema.evidence.surveyId, surveyId))
                .orderBy(asc(schema.evidence.id));
            rows.evidence = evidence.map(({ address, evidence: kind, source, line, lastmod }) => ({
                address,
                evidence: z.enum(['sitemap', 'robots', 'manual']).parse(kind),
                source,
                line,
                lastmod,
            }));
            const files = await tx
                .select()
                .from(schema.files)
                .where(eq(schema.files.surveyId, surveyId))
                .orderBy(asc(schema.files.id));
            rows.files = files.map(({ kind, url, status, note, entries, text }) => ({
                kind: z.enum(['robots', 'sitemap']).parse(kind),
                url,
                status,
                note,
                entries,
                text,
            }));
            const checks = await tx
                .select()
                .from(schema.targetChecks)
                .where(eq(schema.targetChecks.surveyId, surveyId));
            rows.checks = checks.map(({ surveyId: _, kind, notRead, ...row }) => ({
                ...row,
                kind: z.enum(['external', 'resource']).parse(kind),
                notRead: NotReadOrNone.parse(notRead),
            }));
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    return rows;
}

const NotReadOrNone = z.enum([...NOT_READ_REASONS, '']);

function toPage(row: typeof schema.pages.$inferSelect): PageRow {
    const { surveyId: _, canonicals, notRead, ...rest } = row;
    return {
        ...rest,
        notRead: NotReadOrNone.parse(notRead),
        canonicals: canonicals === '' ? [] : canonicals.split(' ').map(Number),
    };
}

/** Signatures of the texts of a survey's pages, by address number: what telling near-doubles needs to go on. */
export async function loadSignatures(db: Database, surveyId: number): Promise<Map<number, Signature>> {
    const rows = await db
        .select({ page: schema.pageDetails.page, signature: schema.pageDetails.signature })
        .from(schema.pageDetails)
        .where(and(eq(schema.pageDetails.surveyId, surveyId), ne(schema.pageDetails.signature, Buffer.alloc(0))));
    return new Map(rows.map((row) => [row.page, new Uint32Array(new Uint8Array(row.signature).buffer)]));
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
