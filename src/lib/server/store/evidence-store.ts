/** Lists of evidence: their heads, their rows, the lines that could not be read, and what each revision said. */
import { and, asc, eq, getTableColumns, isNotNull, lte, sql } from 'drizzle-orm';
import { z } from 'zod';
import {
    LIST_KINDS,
    type EvidenceList,
    type ListKind,
    type ListOutcome,
    type ListRow,
} from '../../core/evidence/evidence-lists.ts';
import { problem, problemText, writeProblem, type Problem, type ProblemText } from '../../core/problems/problem.ts';
import { emptyRows, unreadPage, type EvidenceRow } from '../../core/survey/survey-rows.ts';
import type { RobotVisits } from '../../core/evidence/robot-visits.ts';
import { packJson, unpackJson } from '../packed-json.ts';
import { inTransaction, loadTables } from './batch-store.ts';
import type { Database, Executor } from './connect.ts';
import * as schema from './schema.ts';

export interface BadLineRow {
    line: number;
    why: string;
    text: string;
}

export interface NewList {
    kind: ListKind;
    name: string;
    outcome: ListOutcome;
    badLines: BadLineRow[];
    rows: ListRow[];
    robots: RobotVisits | null;
}

const Cells = z.array(z.number().nullable());
const Outcome: z.ZodType<ListOutcome> = z.object({
    columns: z.array(z.object({ name: z.string(), type: z.enum(['number', 'date']) })),
    lines: z.number(),
    rows: z.number(),
    bad: z.number(),
    notes: z.array(z.string().transform(problemText)),
    bare: z.object({ count: z.number(), day: z.string() }).nullable(),
});

async function insertList(tx: Executor, surveyId: number, made: NewList, revision: number): Promise<number> {
    const [row] = await tx
        .insert(schema.lists)
        .values({
            surveyId,
            kind: made.kind,
            name: made.name.slice(0, 255),
            at: Date.now(),
            outcome: made.outcome,
            badLines: packJson(made.badLines),
            robots: made.robots && packJson(made.robots),
            revision,
        })
        .$returningId();
    if (!row) throw new Error('the list got no number');
    return row.id;
}

/** Keeps a list for a survey that has not begun: its URLs become known when it does. */
export async function giveList(db: Database, surveyId: number, made: NewList): Promise<void> {
    await inTransaction(db, async (tx, connection) => {
        const id = await insertList(tx, surveyId, made, 1);
        await loadTables(connection, [listTable(surveyId, id, made.rows)]);
    });
}

function listTable(surveyId: number, listId: number, rows: ListRow[]) {
    return {
        table: schema.listRows,
        columns: ['survey_id', 'list_id', 'n', 'url', 'source', 'cells'],
        rows: rows.map((row, n) => [surveyId, listId, n, row.url, row.source, JSON.stringify(row.cells)]),
    };
}

export type AddResult = { ok: true; revision: number } | { ok: false; say: string };

/**
 * Adds a list to a survey that has ended: a new revision. URLs of the site that the survey did not know become
 * known and are not read; the revision before keeps its summary.
 * @param fresh URLs of the site that no row of the survey knows
 * @param knownIds address numbers of the URLs it knows
 * @param summary what the survey says as it is now
 */
export async function addList(
    db: Database,
    surveyId: number,
    made: NewList,
    fresh: string[],
    knownIds: ReadonlyMap<string, number>,
    summary: object,
): Promise<AddResult> {
    return inTransaction(db, async (tx, connection) => {
        const [survey] = await tx.select().from(schema.surveys).where(eq(schema.surveys.id, surveyId)).for('update');
        if (!survey || survey.isDeleted) return { ok: false, say: 'The survey is gone.' };
        if (survey.endedAt === null) {
            return { ok: false, say: 'The survey is under way. Evidence can be added once it has ended.' };
        }
        await keepRevision(
            tx,
            surveyId,
            survey.revision,
            survey.endedAt,
            problem('before-list', { name: made.name }),
            summary,
        );
        const revision = survey.revision + 1;
        const listId = await insertList(tx, surveyId, made, revision);
        const [last] = await tx
            .select({
                address:
                    sql<number>`coalesce((select max(${schema.addresses.id}) from ${schema.addresses} where ${schema.addresses.surveyId} = ${surveyId}), -1)`.mapWith(
                        Number,
                    ),
                evidence:
                    sql<number>`coalesce((select max(${schema.evidence.id}) from ${schema.evidence} where ${schema.evidence.surveyId} = ${surveyId}), -1)`.mapWith(
                        Number,
                    ),
            })
            .from(schema.surveys)
            .where(eq(schema.surveys.id, surveyId));
        const batch = emptyRows();
        const ids = new Map(knownIds);
        let next = (last?.address ?? -1) + 1;
        for (const url of fresh) {
            batch.addresses.push({ id: next, url, internal: true });
            batch.pages.push({ ...unreadPage(next), notRead: 'later' });
            ids.set(url, next++);
        }
        const seen = new Set<string>();
        made.rows.forEach((row) => {
            const address = ids.get(row.url);
            if (address === undefined || seen.has(row.url)) return;
            seen.add(row.url);
            batch.evidence.push({
                address,
                evidence: made.kind,
                source: made.name.slice(0, 255),
                line: 0,
                lastmod: '',
            });
        });
        await loadTables(connection, [listTable(surveyId, listId, made.rows)], surveyId, batch, {
            evidence: (last?.evidence ?? -1) + 1,
            file: 0,
        });
        await tx.update(schema.surveys).set({ revision }).where(eq(schema.surveys.id, surveyId));
        return { ok: true, revision };
    });
}

/** Keeps what a survey said at a revision, before something changes it; what is kept already stays. */
export async function keepRevision(
    tx: Pick<Executor, 'insert'>,
    surveyId: number,
    number: number,
    at: number,
    why: Problem,
    summary: object,
): Promise<void> {
    await tx
        .insert(schema.revisions)
        .values({ surveyId, number, at, why: writeProblem(why), summary })
        .onDuplicateKeyUpdate({ set: { surveyId } });
}

export interface Revision {
    number: number;
    at: number;
    why: ProblemText;
    summary: unknown;
}

/** Earlier revisions of a survey, first to last. */
export async function listRevisions(db: Database, surveyId: number): Promise<Revision[]> {
    const rows = await db
        .select()
        .from(schema.revisions)
        .where(eq(schema.revisions.surveyId, surveyId))
        .orderBy(asc(schema.revisions.number));
    return rows.map(({ surveyId: _, why, ...row }) => ({ ...row, why: problemText(why) }));
}

type ListHead = Omit<EvidenceList, 'rows'> & { revision: number };

/** Without what may be large. */
const { badLines: _lines, robots: _robots, ...HEAD_COLUMNS } = getTableColumns(schema.lists);

function toHead(row: Omit<typeof schema.lists.$inferSelect, 'badLines' | 'robots'>): ListHead {
    return {
        id: row.id,
        kind: z.enum(LIST_KINDS).parse(row.kind),
        name: row.name,
        at: row.at,
        outcome: Outcome.parse(row.outcome),
        revision: row.revision,
    };
}

/** The lists of a survey without their rows, in the order they were made. */
export async function evidenceLists(db: Database, surveyId: number): Promise<ListHead[]> {
    const rows = await db
        .select(HEAD_COLUMNS)
        .from(schema.lists)
        .where(eq(schema.lists.surveyId, surveyId))
        .orderBy(asc(schema.lists.id));
    return rows.map(toHead);
}

/** Lines of a list that could not be read. */
export async function loadBadLines(db: Database, surveyId: number, listId: number): Promise<BadLineRow[]> {
    const [row] = await db
        .select()
        .from(schema.lists)
        .where(and(eq(schema.lists.surveyId, surveyId), eq(schema.lists.id, listId)));
    const Lines = z.array(z.object({ line: z.number(), why: z.string(), text: z.string() }));
    return row ? Lines.parse(unpackJson(row.badLines)) : [];
}

const ROWS_AT_ONCE = 10_000;

/** The rows of one list, in order, a bounded number at a time. */
export async function* listRows(db: Executor, surveyId: number, listId: number): AsyncGenerator<ListRow> {
    const { listRows: table } = schema;
    for (let from = 0; ; from += ROWS_AT_ONCE) {
        const rows = await db
            .select()
            .from(table)
            .where(
                and(
                    eq(table.surveyId, surveyId),
                    eq(table.listId, listId),
                    sql`${table.n} between ${from} and ${from + ROWS_AT_ONCE - 1}`,
                ),
            )
            .orderBy(asc(table.n));
        for (const row of rows) {
            yield { url: row.url, source: row.source, cells: Cells.parse(JSON.parse(row.cells)) };
        }
        if (rows.length < ROWS_AT_ONCE) return;
    }
}

/** All lists of a survey with their rows. */
export async function loadLists(
    db: Database,
    surveyId: number,
    heads?: Awaited<ReturnType<typeof evidenceLists>>,
): Promise<EvidenceList[]> {
    const lists: EvidenceList[] = [];
    for (const { revision: _, ...head } of heads ?? (await evidenceLists(db, surveyId))) {
        const rows: ListRow[] = [];
        for await (const row of listRows(db, surveyId, head.id)) rows.push(row);
        lists.push({ ...head, rows });
    }
    return lists;
}

/** What the crawl is given of the lists of a survey: every URL with its kind and where it was named. */
export async function* listedUrls(
    db: Executor,
    surveyId: number,
): AsyncGenerator<Pick<EvidenceRow, 'evidence' | 'source' | 'line'> & { url: string }> {
    const heads = await db
        .select({ id: schema.lists.id, kind: schema.lists.kind, name: schema.lists.name })
        .from(schema.lists)
        .where(eq(schema.lists.surveyId, surveyId))
        .orderBy(asc(schema.lists.id));
    for (const { id, kind, name } of heads) {
        const evidence = z.enum(LIST_KINDS).parse(kind);
        // A row is many lines of a log put together: it has no line of its own.
        for await (const { url } of listRows(db, surveyId, id)) yield { url, evidence, source: name, line: 0 };
    }
}

const Whole = z.array(z.number().int().nonnegative());
const Visits: z.ZodType<RobotVisits> = z
    .object({
        robots: z.array(z.string()),
        urls: z.array(z.string()),
        robot: Whole,
        url: Whole,
        fine: Whole,
        redirect: Whole,
        error: Whole,
        first: z.number(),
        last: z.number(),
        left: z.number(),
    })
    .refine(
        ({ robots, urls, robot, url, fine, redirect, error }) =>
            [url, fine, redirect, error].every(({ length }) => length === robot.length) &&
            robot.every((at) => at < robots.length) &&
            url.every((at) => at < urls.length),
    );

/** What robots asked for, list by list, of those that a survey had at its revision and that tell it. */
export async function loadVisits(db: Database, surveyId: number, revision: number): Promise<RobotVisits[]> {
    const { lists } = schema;
    const rows = await db
        .select({ robots: lists.robots })
        .from(lists)
        .where(and(eq(lists.surveyId, surveyId), lte(lists.revision, revision), isNotNull(lists.robots)))
        .orderBy(asc(lists.id));
    return rows.map(({ robots }) => Visits.parse(unpackJson(robots!)));
}
