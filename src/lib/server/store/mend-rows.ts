/**
 * Mends a survey whose rows have a gap: a batch of its was lost and later ones were stored all the same (versions before
 * November 2026 did that when a disk ran full). Whatever stands behind the gap, or leads into it, is dropped, and those
 * pages are read again; everything else stays.
 */
import { and, eq, gte, inArray, or, sql } from 'drizzle-orm';
import type { RowDataPacket } from 'mysql2/promise';
import { z } from 'zod';
import type { Database, Executor } from './connect.ts';
import { mustOwn } from './ownership.ts';
import { RowReader } from './row-reader.ts';
import * as schema from './schema.ts';

/** Rows of a survey do not belong together: something they lead to is not there. */
export class RowsBroken extends Error {}

/** Pages taken away in one statement. */
const PAGES_AT_ONCE = 1_000;

/** What was done to a survey. */
export interface Mended {
    /** Pages that stay. */
    kept: number;
    /** Pages to be read again. */
    dropped: number;
}

/**
 * @throws LeaseLost when the job is not that owner's
 */
export async function mendRows(db: Database, surveyId: number, owner?: string): Promise<Mended> {
    return db.transaction(async (tx) => {
        await mustOwn(tx, surveyId, owner);
        const addresses = await firstGap(tx, 'address', surveyId);
        const layouts = await firstGap(tx, 'layout', surveyId);
        const lists = await firstBadList(tx, surveyId, await firstGap(tx, 'link_list', surveyId), addresses);
        const blocks = Math.min(
            await firstGap(tx, 'block', surveyId),
            await least(tx, 'SELECT MIN(id) FROM block WHERE survey_id = ? AND list >= ?', [surveyId, lists]),
        );
        const pages = await badPages(tx, surveyId, { addresses, layouts, blocks });
        for (let from = 0; from < pages.length; from += PAGES_AT_ONCE) {
            const some = pages.slice(from, from + PAGES_AT_ONCE);
            await tx
                .delete(schema.pages)
                .where(and(eq(schema.pages.surveyId, surveyId), inArray(schema.pages.address, some)));
            for (const table of [schema.pageDetails, schema.pageSources, schema.pageBlocks, schema.pageMains]) {
                await tx.delete(table).where(and(eq(table.surveyId, surveyId), inArray(table.page, some)));
            }
        }
        const behind = [
            [schema.addresses, schema.addresses.id, addresses],
            [schema.linkLists, schema.linkLists.id, lists],
            [schema.layouts, schema.layouts.id, layouts],
            [schema.blocks, schema.blocks.id, blocks],
            [schema.evidence, schema.evidence.address, addresses],
        ] as const;
        for (const [table, column, first] of behind) {
            await tx.delete(table).where(and(eq(table.surveyId, surveyId), gte(column, first)));
        }
        const { targetChecks, files } = schema;
        await tx
            .delete(targetChecks)
            .where(
                and(
                    eq(targetChecks.surveyId, surveyId),
                    or(gte(targetChecks.address, addresses), gte(targetChecks.redirectTo, addresses)),
                ),
            );
        // A sitemap's row says that all its entries are stored, which nobody knows now: they are read again.
        await tx.delete(files).where(eq(files.surveyId, surveyId));
        const kept = await tx.$count(schema.pages, eq(schema.pages.surveyId, surveyId));
        return { kept, dropped: pages.length };
    });
}

type Numbered = 'address' | 'link_list' | 'layout' | 'block';

const Count = z.coerce.number().nullable();

async function least(tx: Executor, text: string, values: number[]): Promise<number> {
    const rows = await numbers(tx, text, values);
    return rows[0] ?? Infinity;
}

/** The first column of a query. */
async function numbers(tx: Executor, text: string, values: number[]): Promise<number[]> {
    const pieces = text.split('?');
    const query = sql.join(
        pieces.map((piece, at) => (at < values.length ? sql`${sql.raw(piece)}${values[at]}` : sql.raw(piece))),
    );
    const [rows] = (await tx.execute(query)) as unknown as [RowDataPacket[]];
    return rows.map((row) => Count.parse(Object.values(row)[0] ?? null)).filter((value) => value !== null);
}

/** The first number that is missing; how many there are where none is. Numbers are given from 0, without gaps. */
async function firstGap(tx: Executor, table: Numbered, surveyId: number): Promise<number> {
    const gap = await least(
        tx,
        `SELECT MIN(n) FROM (SELECT id, ROW_NUMBER() OVER (ORDER BY id) - 1 AS n FROM ${table} WHERE survey_id = ?) AS counted WHERE id <> n`,
        [surveyId],
    );
    if (gap !== Infinity) return gap;
    return least(tx, `SELECT COUNT(*) FROM ${table} WHERE survey_id = ?`, [surveyId]);
}

/** The first list that leads behind the gap; lists behind it have no number to stand on. */
async function firstBadList(tx: Executor, surveyId: number, gap: number, addresses: number): Promise<number> {
    for await (const { id, links } of new RowReader(tx, surveyId).lists()) {
        if (id >= gap) break;
        if (links.some(({ target }) => target !== null && target >= addresses)) return id;
    }
    return gap;
}

/** Pages of which anything is missing, or that lead behind a gap. */
async function badPages(
    tx: Executor,
    surveyId: number,
    first: { addresses: number; layouts: number; blocks: number },
): Promise<number[]> {
    const { addresses, layouts, blocks } = first;
    const bad = new Set<number>();
    const add = async (text: string, values: number[]): Promise<void> => {
        for (const page of await numbers(tx, text, values)) bad.add(page);
    };
    await add('SELECT DISTINCT page FROM page_block WHERE survey_id = ? AND (page >= ? OR block >= ? OR layout >= ?)', [
        surveyId,
        addresses,
        blocks,
        layouts,
    ]);
    await add(
        'SELECT address FROM page WHERE survey_id = ? AND (address >= ? OR redirect_to >= ? OR instant_refresh >= ?)',
        [surveyId, addresses, addresses, addresses],
    );
    // The other part was in the batch that was lost.
    for (const page of await new RowReader(tx, surveyId).pagesInPart()) bad.add(page);
    await add(
        'SELECT DISTINCT page FROM page_block WHERE survey_id = ? AND page NOT IN (SELECT address FROM page WHERE survey_id = ?)',
        [surveyId, surveyId],
    );
    for await (const { address, canonicals } of new RowReader(tx, surveyId).pages()) {
        if (canonicals.some((target) => target >= addresses)) bad.add(address);
    }
    return [...bad].sort((a, b) => a - b);
}
