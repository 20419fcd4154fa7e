/** Surveys and their rows: stored batch by batch, read back whole. */
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import type { MySqlTable } from 'drizzle-orm/mysql-core';
import type { ResultSetHeader } from 'mysql2';
import { z } from 'zod';
import { REGIONS } from '../../core/page/links.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import {
    emptyRows,
    NOT_READ_REASONS,
    SURVEY_STATES,
    type CutReason,
    type PageRow,
    type SurveyBatch,
    type SurveyInfo,
    type SurveyRows,
    type SurveyState,
} from '../../core/survey/survey-rows.ts';
import { StoredSettings } from '../access/settings.ts';
import type { Database } from './connect.ts';
import { packLinks, packPlaces, unpackLinks, unpackPlaces } from './packing.ts';
import * as schema from './schema.ts';

/** A survey as lists and heads show it. */
export interface Survey {
    id: number;
    siteId: number;
    /** Number within its site. */
    number: number;
    state: SurveyState;
    cut: CutReason[];
    trouble: string;
    settings: SurveySettings;
    createdAt: number;
    startedAt: number | null;
    endedAt: number | null;
    batches: number;
    revision: number;
}

/** Rows in one insert; the whole stays far below the packet limit. */
const ROWS_AT_ONCE = 500;

const CutReasons = z.array(z.enum(['max-pages', 'max-depth', 'stopped', 'failed']));

function toSurvey(row: typeof schema.surveys.$inferSelect): Survey {
    return {
        ...row,
        state: z.enum(SURVEY_STATES).parse(row.state),
        cut: CutReasons.parse(row.cut === '' ? [] : row.cut.split(' ')),
        settings: StoredSettings.parse(row.settings),
    };
}

/** Creates the next survey of a site and the job that does it. */
export async function createSurvey(
    db: Database,
    siteId: number,
    settings: SurveySettings,
    owner = '',
    leaseUntil = 0,
): Promise<Survey> {
    const now = Date.now();
    const id = await db.transaction(async (tx) => {
        // The site's row is locked first, so that two surveys asked for at once get two numbers.
        await tx.select({ id: schema.sites.id }).from(schema.sites).where(eq(schema.sites.id, siteId)).for('update');
        const [last] = await tx
            .select({ number: sql<number>`coalesce(max(${schema.surveys.number}), 0)`.mapWith(Number) })
            .from(schema.surveys)
            .where(eq(schema.surveys.siteId, siteId));
        const [made] = await tx
            .insert(schema.surveys)
            .values({
                siteId,
                number: (last?.number ?? 0) + 1,
                state: 'waiting',
                trouble: '',
                settings,
                createdAt: now,
            })
            .$returningId();
        if (!made) throw new Error('the survey got no number');
        await tx.insert(schema.jobs).values({
            surveyId: made.id,
            state: owner === '' ? 'waiting' : 'running',
            owner,
            leaseUntil,
            createdAt: now,
        });
        return made.id;
    });
    const survey = await getSurvey(db, id);
    if (!survey) throw new Error('the survey vanished');
    return survey;
}

export async function getSurvey(db: Database, id: number): Promise<Survey | null> {
    const [row] = await db.select().from(schema.surveys).where(eq(schema.surveys.id, id));
    return row ? toSurvey(row) : null;
}

export async function findSurvey(db: Database, siteId: number, number: number): Promise<Survey | null> {
    const [row] = await db
        .select()
        .from(schema.surveys)
        .where(and(eq(schema.surveys.siteId, siteId), eq(schema.surveys.number, number)));
    return row ? toSurvey(row) : null;
}

/** Surveys of a site, newest first. */
export async function listSurveys(db: Database, siteId: number): Promise<Survey[]> {
    const rows = await db
        .select()
        .from(schema.surveys)
        .where(eq(schema.surveys.siteId, siteId))
        .orderBy(desc(schema.surveys.number));
    return rows.map(toSurvey);
}

export async function markStarted(db: Database, id: number): Promise<void> {
    await db
        .update(schema.surveys)
        .set({ state: 'running', startedAt: sql`coalesce(${schema.surveys.startedAt}, ${Date.now()})` })
        .where(eq(schema.surveys.id, id));
}

/** The job of a survey belongs to another worker now: nothing more of ours may be stored. */
export class LeaseLost extends Error {}

/** Fails unless the job is that owner's; holds the job until the transaction ends, so that it stays so. */
async function mustOwn(tx: Pick<Database, 'select'>, surveyId: number, owner: string | undefined): Promise<void> {
    if (owner === undefined) return;
    const [job] = await tx
        .select({ owner: schema.jobs.owner })
        .from(schema.jobs)
        .where(eq(schema.jobs.surveyId, surveyId))
        .for('update');
    if (job?.owner !== owner) throw new LeaseLost(`survey ${surveyId} is done by another worker`);
}

/**
 * Closes a survey: revision 1 in one transaction with its end.
 * @throws LeaseLost when the job is not that owner's
 */
export async function closeSurvey(
    db: Database,
    id: number,
    end: { state: SurveyState; cut: CutReason[]; trouble: string },
    owner?: string,
): Promise<void> {
    await db.transaction(async (tx) => {
        await mustOwn(tx, id, owner);
        await tx
            .update(schema.surveys)
            .set({ state: end.state, cut: end.cut.join(' '), trouble: end.trouble, endedAt: Date.now(), revision: 1 })
            .where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({ state: 'done', owner: '', leaseUntil: 0 })
            .where(eq(schema.jobs.surveyId, id));
    });
}

type Executor = Pick<Database, 'insert'>;

/** Inserts in pieces and checks that every row arrived: a database that drops rows must not go unnoticed. */
async function insertAll<T extends MySqlTable>(tx: Executor, table: T, rows: T['$inferInsert'][]): Promise<void> {
    for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
        const piece = rows.slice(at, at + ROWS_AT_ONCE);
        const [result]: [ResultSetHeader, ...unknown[]] = await tx.insert(table).values(piece);
        if (result.affectedRows !== piece.length || result.warningStatus !== 0) {
            throw new Error(
                `${piece.length} rows were sent, ${result.affectedRows} stored, ${result.warningStatus} warnings`,
            );
        }
    }
}

/**
 * Stores a batch, whole or not at all.
 * @param owner whose job it must be
 * @throws LeaseLost when the job is not that owner's
 * @param number number of the batch, from 1; a batch that was stored already (an answer got lost) is not stored again
 */
export async function storeBatch(
    db: Database,
    surveyId: number,
    number: number,
    batch: SurveyBatch,
    owner?: string,
): Promise<void> {
    await db.transaction(async (tx) => {
        await mustOwn(tx, surveyId, owner);
        const [head] = await tx
            .select({ batches: schema.surveys.batches })
            .from(schema.surveys)
            .where(eq(schema.surveys.id, surveyId))
            .for('update');
        if (!head) throw new Error(`survey ${surveyId} is gone`);
        if (head.batches >= number) return;
        await insertAll(
            tx,
            schema.addresses,
            batch.addresses.map((row) => ({ surveyId, ...row })),
        );
        await insertAll(
            tx,
            schema.linkLists,
            batch.lists.map((row) => ({ surveyId, id: row.id, links: packLinks(row.links) })),
        );
        await insertAll(
            tx,
            schema.layouts,
            batch.layouts.map((row) => ({ surveyId, id: row.id, places: packPlaces(row) })),
        );
        await insertAll(
            tx,
            schema.blocks,
            batch.blocks.map((row) => ({ surveyId, ...row, region: REGIONS.indexOf(row.region) })),
        );
        await insertAll(
            tx,
            schema.pages,
            batch.pages.map((row) => ({ surveyId, ...row, canonicals: row.canonicals.join(' ') })),
        );
        await insertAll(
            tx,
            schema.pageBlocks,
            batch.pageBlocks.map((row) => ({ surveyId, ...row })),
        );
        const firstEvidence = await nextId(tx, schema.evidence, surveyId);
        await insertAll(
            tx,
            schema.evidence,
            batch.evidence.map((row, index) => ({ surveyId, id: firstEvidence + index, ...row })),
        );
        const firstFile = await nextId(tx, schema.files, surveyId);
        await insertAll(
            tx,
            schema.files,
            batch.files.map((row, index) => ({ surveyId, id: firstFile + index, ...row })),
        );
        await tx.update(schema.surveys).set({ batches: number }).where(eq(schema.surveys.id, surveyId));
    });
}

async function nextId(
    tx: Pick<Database, 'select'>,
    table: typeof schema.evidence | typeof schema.files,
    surveyId: number,
): Promise<number> {
    const [row] = await tx
        .select({ next: sql<number>`coalesce(max(${table.id}) + 1, 0)`.mapWith(Number) })
        .from(table)
        .where(eq(table.surveyId, surveyId));
    return row?.next ?? 0;
}

/** All rows of a survey, as one consistent reading. */
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
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    return rows;
}

function toPage(row: typeof schema.pages.$inferSelect): PageRow {
    const { surveyId: _, canonicals, notRead, ...rest } = row;
    return {
        ...rest,
        notRead: z.enum([...NOT_READ_REASONS, '']).parse(notRead),
        canonicals: canonicals === '' ? [] : canonicals.split(' ').map(Number),
    };
}

export function infoOf(survey: Survey): SurveyInfo {
    return { start: survey.settings.start, state: survey.state, cut: survey.cut };
}

/** Removes surveys and all their rows. */
export async function deleteSurveys(db: Database, ids: number[]): Promise<void> {
    if (ids.length === 0) return;
    await db.delete(schema.jobs).where(inArray(schema.jobs.surveyId, ids));
    await db.delete(schema.surveys).where(inArray(schema.surveys.id, ids));
    for (const table of [
        schema.pageBlocks,
        schema.blocks,
        schema.layouts,
        schema.linkLists,
        schema.pages,
        schema.evidence,
        schema.files,
        schema.addresses,
    ]) {
        await db.delete(table).where(inArray(table.surveyId, ids));
    }
}
