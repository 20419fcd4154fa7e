/** Storing what a crawl found, batch by batch: whole or not at all, once, and only by the job's owner. */
import { log } from '../process/log.ts';
import { setImmediate as turn } from 'node:timers/promises';
import { eq, sql } from 'drizzle-orm';
import { getTableColumns, getTableName } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/mysql2';
import type { MySqlTable } from 'drizzle-orm/mysql-core';
import type { PoolConnection, ResultSetHeader } from 'mysql2/promise';
import { REGIONS } from '../../core/page/links.ts';
import { emptyRows, type SurveyBatch } from '../../core/survey/survey-rows.ts';
import { BulkMismatch, bulkLoad, RowWriter, type BulkValue } from './bulk-load.ts';
import type { Database, Executor } from './connect.ts';
import { mustOwn } from './ownership.ts';
import { packLinks, packPlaces } from './packing.ts';
import * as schema from './schema.ts';

/** Rows in one insert, where loading in bulk failed. */
const ROWS_AT_ONCE = 200;
/** A packed source beyond this is not kept: it fits no column. */
const MAX_SOURCE = 15 * 1024 * 1024;

/** Rows of one table in the order of their columns. */
export interface TableRows {
    table: MySqlTable;
    columns: string[];
    /** Made one by one as they are asked for: packing is the dearer part of storing. */
    rows: Iterable<BulkValue[]>;
}

type Row<T extends MySqlTable> = { [K in keyof T['$inferInsert']]: BulkValue };

/** @param fields names of the fields in the schema, in the order of each row's values */
function tableRows<T extends MySqlTable, Item>(
    table: T,
    fields: (keyof T['$inferInsert'] & string)[],
    items: readonly Item[],
    toRow: (item: Item, index: number) => Row<T>,
): TableRows {
    const known = getTableColumns(table);
    return {
        table,
        columns: fields.map((field) => known[field]?.name ?? field),
        rows: {
            *[Symbol.iterator]() {
                for (let index = 0; index < items.length; index++) {
                    const row = toRow(items[index]!, index);
                    yield fields.map((field) => row[field]);
                }
            },
        },
    };
}

/** All fields of a table: a column that is added to it is stored as soon as its rows have it, which the types ask for. */
const fieldsOf = <T extends MySqlTable>(table: T) =>
    Object.keys(getTableColumns(table)) as (keyof T['$inferInsert'] & string)[];

/** A batch as rows of tables; each table is made when it is asked for. */
export function* rowsOfBatch(
    surveyId: number,
    batch: SurveyBatch,
    first: { evidence: number; file: number },
): Generator<TableRows> {
    // The tables with the most bytes and the least to pack come first: while they go out, the links are packed.
    yield tableRows(
        schema.pageSources,
        ['surveyId', 'page', 'source'],
        batch.details.filter((row) => row.source.length > 0 && row.source.length <= MAX_SOURCE),
        (row) => ({ surveyId, page: row.page, source: row.source }),
    );
    yield tableRows(
        schema.pageDetails,
        ['surveyId', 'page', 'facts', 'text', 'bodyHash', 'signature', 'sketch', 'ids', 'outline'],
        batch.details,
        ({ source: _, ...row }) => ({ surveyId, ...row }),
    );
    yield tableRows(schema.addresses, ['surveyId', 'id', 'internal', 'url'], batch.addresses, (row) => ({
        surveyId,
        ...row,
    }));
    yield tableRows(schema.linkLists, ['surveyId', 'id', 'links'], batch.lists, (row) => ({
        surveyId,
        id: row.id,
        links: packLinks(row),
    }));
    yield tableRows(schema.layouts, ['surveyId', 'id', 'places'], batch.layouts, (row) => ({
        surveyId,
        id: row.id,
        places: packPlaces(row),
    }));
    yield tableRows(schema.blocks, ['surveyId', 'id', 'region', 'place', 'list', 'name'], batch.blocks, (row) => ({
        surveyId,
        ...row,
        region: REGIONS.indexOf(row.region),
    }));
    yield tableRows(schema.pages, fieldsOf(schema.pages), batch.pages, (row) => ({
        surveyId,
        ...row,
        canonicals: row.canonicals.join(' '),
    }));
    yield tableRows(
        schema.pageBlocks,
        ['surveyId', 'page', 'ordinal', 'block', 'layout', 'line'],
        batch.pageBlocks,
        (row) => ({ surveyId, ...row }),
    );
    yield tableRows(
        schema.targetChecks,
        [
            'surveyId',
            'address',
            'kind',
            'status',
            'notRead',
            'failure',
            'contentType',
            'redirectTo',
            'milliseconds',
            'readAt',
        ],
        batch.checks,
        (row) => ({ surveyId, ...row }),
    );
    yield tableRows(
        schema.evidence,
        ['surveyId', 'id', 'address', 'evidence', 'source', 'line', 'lastmod'],
        batch.evidence,
        (row, index) => ({ surveyId, id: first.evidence + index, ...row }),
    );
    yield tableRows(
        schema.files,
        ['surveyId', 'id', 'kind', 'url', 'status', 'note', 'entries', 'text'],
        batch.files,
        (row, index) => ({ surveyId, id: first.file + index, ...row }),
    );
}

/** Rows written out before the load under way gets its turn on the connection. */
const ROWS_BETWEEN_TURNS = 12;

/** Bytes of rows after which they go out, so that the database has work while the rest of a table is written. */
const BYTES_AT_ONCE = 256 * 1024;

/**
 * Loads the rows of tables in bulk, one table after the other, each load checked. Rows are packed and written out
 * ahead of the load under way, as far as the batch goes: a batch is a few megabytes.
 */
async function loadInBulk(connection: PoolConnection, tables: Iterable<TableRows>): Promise<void> {
    let loading: Promise<void> = Promise.resolve();
    let failed = false;
    for (const { table, columns, rows } of tables) {
        let writer = new RowWriter();
        const send = (): void => {
            const written = writer;
            writer = new RowWriter();
            loading = loading.then(() => bulkLoad(connection, getTableName(table), columns, written));
            loading.catch(() => (failed = true));
        };
        for (const row of rows) {
            writer.row(row);
            if (writer.length >= BYTES_AT_ONCE) send();
            if (writer.rows % ROWS_BETWEEN_TURNS === 0) await turn();
            if (failed) break;
        }
        if (failed) break;
        if (writer.rows > 0) send();
    }
    await loading;
}

/**
 * Loads tables, and the rows of a batch behind them, inside the transaction that is open on a connection.
 * @throws BulkMismatch when not every row arrived unharmed; the transaction must be rolled back then
 */
export async function loadTables(
    connection: PoolConnection,
    tables: TableRows[],
    surveyId = 0,
    batch: SurveyBatch = emptyRows(),
    first: { evidence: number; file: number } = { evidence: 0, file: 0 },
): Promise<void> {
    await loadInBulk(connection, tables);
    await loadInBulk(connection, rowsOfBatch(surveyId, batch, first));
}

/** The slow way, for when the fast one did not store what was sent: inserts in pieces, each checked. */
async function insertChecked(connection: PoolConnection, tables: Iterable<TableRows>): Promise<void> {
    for (const { table, columns, rows: made } of tables) {
        const rows = [...made];
        const into = `INSERT INTO \`${getTableName(table)}\` (${columns.map((name) => `\`${name}\``).join(', ')}) VALUES ?`;
        for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
            const piece = rows
                .slice(at, at + ROWS_AT_ONCE)
                .map((row) => row.map((value) => (value instanceof Uint8Array ? Buffer.from(value) : value)));
            const [result] = await connection.query<ResultSetHeader>(into, [piece]);
            if (result.affectedRows !== piece.length || result.warningStatus !== 0) {
                throw new Error(
                    `${piece.length} rows were sent, ${result.affectedRows} stored, ${result.warningStatus} warnings`,
                );
            }
        }
    }
}

/** A batch before this one was never stored: behind the gap nothing may be, for its numbers would lead nowhere. */
export class BatchMissing extends Error {
    constructor(surveyId: number, missing: number, number: number) {
        super(`survey ${surveyId}: batch ${number} was not stored, because batch ${missing} is missing`);
    }
}

export interface StoreOptions {
    /** Whose job it must be. */
    owner?: string;
    /** Told when bulk loading did not store what was sent, and the batch was sent again by inserts. */
    onMismatch?: (say: string) => void;
}

/**
 * Stores a batch, whole or not at all.
 * @param number number of the batch, from 1; a batch that was stored already (an answer got lost) is not stored again
 * @throws LeaseLost when the job is not that owner's
 * @throws BatchMissing when the batch before it is not stored
 */
export async function storeBatch(
    db: Database,
    surveyId: number,
    number: number,
    batch: SurveyBatch,
    options: StoreOptions = {},
): Promise<void> {
    try {
        await storeOnce(db, surveyId, number, batch, options.owner, loadInBulk);
    } catch (error) {
        if (!(error instanceof BulkMismatch)) throw error;
        (options.onMismatch ?? log.warn)(
            `survey ${surveyId}, batch ${number}: ${error.message}; sent again row by row`,
        );
        await storeOnce(db, surveyId, number, batch, options.owner, insertChecked);
    }
}

async function storeOnce(
    db: Database,
    surveyId: number,
    number: number,
    batch: SurveyBatch,
    owner: string | undefined,
    load: (connection: PoolConnection, tables: Iterable<TableRows>) => Promise<void>,
): Promise<void> {
    await inTransaction(db, async (tx, connection) => {
        await mustOwn(tx, surveyId, owner);
        const [head] = await tx
            .select({ batches: schema.surveys.batches })
            .from(schema.surveys)
            .where(eq(schema.surveys.id, surveyId))
            .for('update');
        if (!head) throw new Error(`survey ${surveyId} is gone`);
        if (head.batches >= number) return;
        if (head.batches < number - 1) throw new BatchMissing(surveyId, head.batches + 1, number);
        const first = {
            evidence: batch.evidence.length === 0 ? 0 : await nextId(tx, schema.evidence, surveyId),
            file: batch.files.length === 0 ? 0 : await nextId(tx, schema.files, surveyId),
        };
        await load(connection, rowsOfBatch(surveyId, batch, first));
        await tx.update(schema.surveys).set({ batches: number }).where(eq(schema.surveys.id, surveyId));
    });
}

/** A transaction in which both ORM and bulk loading work, on one connection. */
export async function inTransaction<T>(
    db: Database,
    work: (tx: Executor, connection: PoolConnection) => Promise<T>,
): Promise<T> {
    const connection = await db.$client.getConnection();
    try {
        await connection.query('START TRANSACTION');
        const result = await work(drizzle(connection, { schema, mode: 'default' }), connection);
        await connection.query('COMMIT');
        connection.release();
        return result;
    } catch (error) {
        // It is not given back: its state is not certain, and a load that was refused leaves the driver's listeners on it.
        await connection.query('ROLLBACK').catch(() => undefined);
        connection.destroy();
        throw error;
    }
}

async function nextId(
    tx: Executor,
    table: typeof schema.evidence | typeof schema.files,
    surveyId: number,
): Promise<number> {
    const [row] = await tx
        .select({ next: sql<number>`coalesce(max(${table.id}) + 1, 0)`.mapWith(Number) })
        .from(table)
        .where(eq(table.surveyId, surveyId));
    return row?.next ?? 0;
}
