/**
 * The rows of a survey, table by table in the order of their keys, a bounded number at a time: however large the
 * survey, no more than a piece of it is held by the reading itself.
 */
import { and, asc, between, eq, getTableColumns, gt, isNotNull, isNull, max, ne, or } from 'drizzle-orm';
import type { MySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { z } from 'zod';
import { REGIONS } from '../../core/page/links.ts';
import {
    FILE_KINDS,
    NOT_READ_REASONS,
    STORED_EVIDENCE,
    type AddressRow,
    type BlockRow,
    type CheckRow,
    type EvidenceRow,
    type FileRow,
    type NotRead,
    type LayoutRow,
    type LinkListRow,
    type PageBlockRow,
    type PageRow,
} from '../../core/survey/survey-rows.ts';
import type { Executor } from './connect.ts';
import { unpackLinks, unpackPlaces } from './packing.ts';
import * as schema from './schema.ts';

/** Numbers of a key read at once: rows of a few hundred bytes each. */
const PIECE = 4_000;
/** The same for rows that may hold thousands of links each. */
const LARGE_PIECE = 500;

const NOT_READ = new Map<string, NotRead | ''>([...NOT_READ_REASONS, '' as const].map((reason) => [reason, reason]));

/** Looked up: a parser for each of a million rows takes longer than reading them. */
function notReadOf(stored: string): NotRead | '' {
    const reason = NOT_READ.get(stored);
    if (reason === undefined) throw new Error(`a page was not read because of "${stored}", which is no reason of ours`);
    return reason;
}

export class RowReader {
    readonly #db: Executor;
    readonly #survey: number;

    constructor(db: Executor, surveyId: number) {
        this.#db = db;
        this.#survey = surveyId;
    }

    async *addresses(): AsyncGenerator<AddressRow> {
        for await (const { id, url, internal } of this.#each(schema.addresses, schema.addresses.id, PIECE)) {
            yield { id, url, internal };
        }
    }

    async *pages(): AsyncGenerator<PageRow> {
        for await (const row of this.#each(schema.pages, schema.pages.address, PIECE)) {
            yield {
                ...row,
                notRead: notReadOf(row.notRead),
                canonicals: row.canonicals === '' ? [] : row.canonicals.split(' ').map(Number),
            };
        }
    }

    async *lists(): AsyncGenerator<LinkListRow> {
        for await (const row of this.#each(schema.linkLists, schema.linkLists.id, LARGE_PIECE)) {
            yield { id: row.id, links: unpackLinks(row.links) };
        }
    }

    async *layouts(): AsyncGenerator<LayoutRow> {
        for await (const row of this.#each(schema.layouts, schema.layouts.id, LARGE_PIECE)) {
            yield unpackPlaces(row.id, row.places);
        }
    }

    async *blocks(): AsyncGenerator<BlockRow> {
        for await (const row of this.#each(schema.blocks, schema.blocks.id, PIECE)) {
            const { id, region, place, list, name } = row;
            yield { id, region: REGIONS[region] ?? 'other', place, list, name };
        }
    }

    /** Page by page, in the order the blocks stand on each. */
    async *pageBlocks(): AsyncGenerator<PageBlockRow> {
        for await (const row of this.#each(schema.pageBlocks, schema.pageBlocks.page, LARGE_PIECE)) {
            const { page, ordinal, block, layout, line } = row;
            yield { page, ordinal, block, layout, line };
        }
    }

    async *evidence(): AsyncGenerator<EvidenceRow & { id: number }> {
        for await (const row of this.#each(schema.evidence, schema.evidence.id, PIECE)) yield toEvidence(row);
    }

    /** The evidence rows of one source within a range of their numbers. */
    async evidenceOf(source: string, from: number, to: number): Promise<(EvidenceRow & { id: number })[]> {
        const { evidence } = schema;
        const rows = await this.#db
            .select()
            .from(evidence)
            .where(
                and(
                    eq(evidence.surveyId, this.#survey),
                    between(evidence.id, from, to),
                    eq(evidence.evidence, 'sitemap'),
                    eq(evidence.source, source),
                ),
            )
            .orderBy(asc(evidence.id));
        return rows.map(toEvidence);
    }

    async files(): Promise<FileRow[]> {
        const rows = await this.#db
            .select()
            .from(schema.files)
            .where(eq(schema.files.surveyId, this.#survey))
            .orderBy(asc(schema.files.id));
        return rows.map(({ kind, url, status, note, entries, text }) => ({
            kind: z.enum(FILE_KINDS).parse(kind),
            url,
            status,
            note,
            entries,
            text,
        }));
    }

    async *checks(): AsyncGenerator<CheckRow> {
        for await (const row of this.#each(schema.targetChecks, schema.targetChecks.address, PIECE)) {
            yield {
                ...row,
                kind: z.enum(['external', 'resource']).parse(row.kind),
                notRead: notReadOf(row.notRead),
            };
        }
    }

    /** What is told of the texts of documents: what telling traps needs to go on. Other answers have none. */
    async *traces(): AsyncGenerator<{ page: number; signature: Uint8Array; sketch: Uint8Array | null }> {
        const { pageDetails } = schema;
        for (let after = -1; ;) {
            const rows = await this.#db
                .select({ page: pageDetails.page, signature: pageDetails.signature, sketch: pageDetails.sketch })
                .from(pageDetails)
                .where(
                    and(
                        eq(pageDetails.surveyId, this.#survey),
                        gt(pageDetails.page, after),
                        or(isNotNull(pageDetails.sketch), ne(pageDetails.signature, Buffer.alloc(0))),
                    ),
                )
                .orderBy(asc(pageDetails.page))
                .limit(PIECE);
            yield* rows;
            if (rows.length < PIECE) return;
            after = rows.at(-1)!.page;
        }
    }

    /** Pages of which only the row or only the facts are there: the two are stored together. */
    async pagesInPart(): Promise<number[]> {
        const { pageDetails: detail, pages: page } = schema;
        const alone = await this.#db
            .select({ page: detail.page })
            .from(detail)
            .leftJoin(page, and(eq(page.surveyId, detail.surveyId), eq(page.address, detail.page)))
            .where(and(eq(detail.surveyId, this.#survey), isNull(page.address)));
        const bare = await this.#db
            .select({ page: page.address })
            .from(page)
            .leftJoin(detail, and(eq(detail.surveyId, page.surveyId), eq(detail.page, page.address)))
            .where(and(eq(page.surveyId, this.#survey), isNotNull(page.status), isNull(detail.page)));
        return [...alone, ...bare].map((row) => row.page);
    }

    /**
     * All rows of a table of this survey, in the order of a number that leads its key, `piece` numbers at a time. Without
     * the survey's own number: an object that a field was taken from is ten times slower to look at.
     */
    async *#each<T extends MySqlTable & { surveyId: MySqlColumn }>(
        table: T,
        number: MySqlColumn,
        piece: number,
    ): AsyncGenerator<Omit<T['$inferSelect'], 'surveyId'>> {
        const { surveyId: _, ...columns } = getTableColumns(table);
        const ofSurvey = eq(table.surveyId, this.#survey);
        const order = number === schema.pageBlocks.page ? [asc(number), asc(schema.pageBlocks.ordinal)] : [asc(number)];
        const [last] = await this.#db
            .select({ number: max(number) })
            .from(table as MySqlTable)
            .where(ofSurvey);
        const to = last?.number === null || last?.number === undefined ? -1 : Number(last.number);
        const read = (from: number) =>
            this.#db
                .select(columns)
                .from(table as MySqlTable)
                .where(and(ofSurvey, between(number, from, from + piece - 1)))
                .orderBy(...order)
                .execute() as Promise<Omit<T['$inferSelect'], 'surveyId'>[]>;
        // The database reads the next piece while this one is taken in.
        let next = to === -1 ? null : read(0);
        for (let from = piece; next !== null; from += piece) {
            const rows = await next;
            next = from <= to ? read(from) : null;
            // Whoever stops before the end does not ask what became of it.
            next?.catch(() => undefined);
            yield* rows;
        }
    }
}

function toEvidence(row: Omit<typeof schema.evidence.$inferSelect, 'surveyId'>): EvidenceRow & { id: number } {
    return {
        id: row.id,
        address: row.address,
        evidence: z.enum(STORED_EVIDENCE).parse(row.evidence),
        source: row.source,
        line: row.line,
        lastmod: row.lastmod,
    };
}
