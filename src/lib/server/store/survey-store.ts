/** Surveys: made, found, paused, gone on with, closed, deleted. Their rows are in batch-store and rows-store. */
import type { ProblemText } from '../../core/problems/problem.ts';
import { and, desc, eq, inArray, isNotNull, ne, or, sql } from 'drizzle-orm';
import { z } from 'zod';
import { applyUrlRules } from '../../core/address/url-rules.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import {
    CUT_REASONS,
    NO_DECISIONS,
    SURVEY_STATES,
    type CutReason,
    type SurveyDecisions,
    type SurveyInfo,
    type SurveyState,
} from '../../core/survey/survey-rows.ts';
import { StoredSettings } from '../access/settings.ts';
import type { Database } from './connect.ts';
import { mustOwn } from './ownership.ts';
import { forgetProposalRuns } from './proposal-run-store.ts';
import * as schema from './schema.ts';

/** A survey as lists and heads show it. */
export interface Survey {
    id: number;
    siteId: number;
    /** Number within its site. */
    number: number;
    state: SurveyState;
    cut: CutReason[];
    trouble: ProblemText;
    settings: SurveySettings;
    /** Headers, cookies and sign-in, sealed; null when there are none. */
    secrets: Buffer | null;
    decisions: SurveyDecisions;
    /** Milliseconds of reading so far. */
    readMilliseconds: number;
    /** Date in a story the survey stands for, `YYYY-MM-DD`; empty for none. */
    asOf: string;
    createdAt: number;
    startedAt: number | null;
    endedAt: number | null;
    batches: number;
    revision: number;
    /** Revision it has by now: more than `revision` where it is looked at as it was earlier. */
    latest: number;
}

const CutReasons = z.array(z.enum(CUT_REASONS));

const Decisions: z.ZodType<SurveyDecisions> = z.object({
    opened: z.array(z.string()),
    closed: z.array(z.string()),
    actions: z.array(z.string()),
});

function toSurvey(row: typeof schema.surveys.$inferSelect): Survey {
    const { isDeleted: _, ...rest } = row;
    return {
        ...rest,
        latest: row.revision,
        state: z.enum(SURVEY_STATES).parse(row.state),
        cut: CutReasons.parse(row.cut === '' ? [] : row.cut.split(' ')),
        settings: StoredSettings.parse(row.settings),
        decisions: row.decisions === null ? NO_DECISIONS : Decisions.parse(row.decisions),
    };
}

export interface NewSurvey {
    /** Whoever does it at once, and until when it is theirs; without one any worker takes it. */
    owner?: string;
    leaseUntil?: number;
    /** Sealed. */
    secrets?: Buffer | null;
    /** Date in a story it stands for, `YYYY-MM-DD`. */
    asOf?: string;
    /** Knock at the door before it begins. */
    knock?: boolean;
}

/** Creates the next survey of a site and the job that does it. */
export async function createSurvey(
    db: Database,
    siteId: number,
    settings: SurveySettings,
    { owner = '', leaseUntil = 0, secrets = null, asOf = '', knock = false }: NewSurvey = {},
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
                secrets,
                asOf,
                createdAt: now,
            })
            .$returningId();
        if (!made) throw new Error('the survey got no number');
        await tx.insert(schema.jobs).values({
            surveyId: made.id,
            state: owner === '' ? 'waiting' : 'running',
            owner,
            leaseUntil,
            knock,
            createdAt: now,
        });
        return made.id;
    });
    const survey = await getSurvey(db, id);
    if (!survey) throw new Error('the survey vanished');
    return survey;
}

export async function getSurvey(db: Database, id: number): Promise<Survey | null> {
    const [row] = await db
        .select()
        .from(schema.surveys)
        .where(and(eq(schema.surveys.id, id), eq(schema.surveys.isDeleted, false)));
    return row ? toSurvey(row) : null;
}

export async function findSurvey(db: Database, siteId: number, number: number): Promise<Survey | null> {
    const [row] = await db
        .select()
        .from(schema.surveys)
        .where(
            and(
                eq(schema.surveys.siteId, siteId),
                eq(schema.surveys.number, number),
                eq(schema.surveys.isDeleted, false),
            ),
        );
    return row ? toSurvey(row) : null;
}

/** Surveys of a site, newest first. */
export async function listSurveys(db: Database, siteId: number): Promise<Survey[]> {
    const rows = await db
        .select()
        .from(schema.surveys)
        .where(and(eq(schema.surveys.siteId, siteId), eq(schema.surveys.isDeleted, false)))
        .orderBy(desc(schema.surveys.number));
    return rows.map(toSurvey);
}

export async function markStarted(db: Database, id: number): Promise<void> {
    await db
        .update(schema.surveys)
        .set({ state: 'running', startedAt: sql`coalesce(${schema.surveys.startedAt}, ${Date.now()})` })
        .where(eq(schema.surveys.id, id));
}

/**
 * Closes a survey: its next revision, in one transaction with its end.
 * @throws LeaseLost when the job is not that owner's
 */
export async function closeSurvey(
    db: Database,
    id: number,
    end: { state: SurveyState; cut: CutReason[]; trouble: ProblemText; readMilliseconds?: number },
    owner?: string,
): Promise<void> {
    await db.transaction(async (tx) => {
        await mustOwn(tx, id, owner);
        await tx
            .update(schema.surveys)
            .set({
                state: end.state,
                cut: end.cut.join(' '),
                trouble: end.trouble,
                endedAt: Date.now(),
                revision: sql`${schema.surveys.revision} + 1`,
                ...(end.readMilliseconds === undefined ? {} : { readMilliseconds: end.readMilliseconds }),
            })
            .where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({ state: 'done', owner: '', leaseUntil: 0, stopAsked: false, pauseAsked: false })
            .where(eq(schema.jobs.surveyId, id));
    });
}

/**
 * Lays a survey aside as it is: nothing is closed, and it is gone on with when somebody says so.
 * @param trouble why, where nobody asked for it
 * @throws LeaseLost when the job is not that owner's
 */
export async function pauseSurvey(
    db: Database,
    id: number,
    readMilliseconds: number,
    owner?: string,
    trouble: ProblemText = '',
): Promise<void> {
    await db.transaction(async (tx) => {
        await mustOwn(tx, id, owner);
        await tx
            .update(schema.surveys)
            .set({ state: 'paused', trouble, readMilliseconds })
            .where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({ state: 'paused', owner: '', leaseUntil: 0, stopAsked: false, pauseAsked: false })
            .where(eq(schema.jobs.surveyId, id));
    });
}

/**
 * Lays a survey aside that nobody has taken up yet.
 * @returns false when somebody has, or there is none
 */
export async function pauseWaiting(db: Database, id: number): Promise<boolean> {
    return db.transaction(async (tx) => {
        const [job] = await tx.select().from(schema.jobs).where(eq(schema.jobs.surveyId, id)).for('update');
        if (job?.state !== 'waiting') return false;
        await tx.update(schema.surveys).set({ state: 'paused' }).where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({ state: 'paused', stopAsked: false, pauseAsked: false })
            .where(eq(schema.jobs.id, job.id));
        return true;
    });
}

/**
 * Has a survey that was laid aside closed with what was read: a worker takes it up and stops at once.
 * @returns false when it is not laid aside
 */
export async function closePaused(db: Database, id: number): Promise<boolean> {
    return db.transaction(async (tx) => {
        const [row] = await tx.select().from(schema.surveys).where(eq(schema.surveys.id, id)).for('update');
        if (row?.state !== 'paused' || row.isDeleted) return false;
        await tx.update(schema.surveys).set({ state: 'waiting', trouble: '' }).where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({ state: 'waiting', owner: '', leaseUntil: 0, stopAsked: true, pauseAsked: false })
            .where(eq(schema.jobs.surveyId, id));
        return true;
    });
}

/** Reasons that are decided anew when a survey is gone on with. */
const DECIDED_ANEW = ['limit', 'stopped', 'trap', 'action', 'later'];

/**
 * Goes on with a survey that was paused or has ended: what was read stays, what was left is judged anew.
 * @param change decisions about families, and limits that may be wider now
 * @returns false when it is under way already, or gone
 */
export async function resumeSurvey(
    db: Database,
    id: number,
    change: {
        decisions?: SurveyDecisions;
        limits?: Partial<Pick<SurveySettings, 'maxPages' | 'maxDepth' | 'maxMinutes'>>;
        /** Whoever goes on with it at once; without one any worker does. */
        lease?: { owner: string; leaseUntil: number };
    } = {},
): Promise<boolean> {
    return db.transaction(async (tx) => {
        const [row] = await tx.select().from(schema.surveys).where(eq(schema.surveys.id, id)).for('update');
        if (!row || row.isDeleted || row.state === 'running' || row.state === 'waiting') return false;
        const survey = toSurvey(row);
        const left = row.state === 'failed' ? [...DECIDED_ANEW, ...FAILED_READS] : DECIDED_ANEW;
        await tx.delete(schema.pages).where(and(eq(schema.pages.surveyId, id), inArray(schema.pages.notRead, left)));
        await tx
            .update(schema.surveys)
            .set({
                state: 'waiting',
                cut: '',
                trouble: '',
                endedAt: null,
                decisions: change.decisions ?? survey.decisions,
                settings: { ...survey.settings, ...change.limits },
                // A time limit holds for each time it is gone on with, not for all of them together.
                readMilliseconds: row.state === 'paused' ? row.readMilliseconds : 0,
            })
            .where(eq(schema.surveys.id, id));
        await tx
            .update(schema.jobs)
            .set({
                state: change.lease ? 'running' : 'waiting',
                owner: '',
                leaseUntil: 0,
                ...change.lease,
                stopAsked: false,
                pauseAsked: false,
            })
            .where(eq(schema.jobs.surveyId, id));
        return true;
    });
}

/** A survey whose start page failed is of use again only when that is asked for again. */
const FAILED_READS = ['no-such-host', 'refused', 'timeout', 'tls', 'lost', 'private', 'broken-reply', 'robots'];

/** Keeps decisions about families for when the survey is gone on with. */
export async function saveDecisions(db: Database, id: number, decisions: SurveyDecisions): Promise<void> {
    await db.update(schema.surveys).set({ decisions }).where(eq(schema.surveys.id, id));
}

export function infoOf(survey: Survey): SurveyInfo {
    const { settings } = survey;
    return {
        start: applyUrlRules(settings.start, settings),
        starts: settings.starts.map((url) => applyUrlRules(url, settings)),
        state: survey.state,
        cut: survey.cut,
    };
}

/** Deletes surveys for the user: at once out of sight, and a worker on one of them loses it. The rows go behind. */
export async function deleteSurveys(db: Database, ids: number[]): Promise<void> {
    if (ids.length === 0) return;
    await db.transaction(async (tx) => {
        await tx.update(schema.surveys).set({ isDeleted: true, secrets: null }).where(inArray(schema.surveys.id, ids));
        await tx.delete(schema.jobs).where(inArray(schema.jobs.surveyId, ids));
        await forgetProposalRuns(tx, ids);
    });
}

/** Pages of a survey that were asked for and settled, whatever they answered. */
export async function countRead(db: Database, surveyId: number): Promise<number> {
    const { pages } = schema;
    return db.$count(pages, and(eq(pages.surveyId, surveyId), or(isNotNull(pages.status), ne(pages.failure, ''))));
}

/** Rows swept in one statement: few enough that nothing waits behind it. */
const SWEPT_AT_ONCE = 2_000;

/**
 * Takes away some rows of deleted surveys.
 * @returns whether there may be more
 */
export async function sweepDeleted(db: Database): Promise<boolean> {
    const [gone] = await db
        .select({ id: schema.surveys.id })
        .from(schema.surveys)
        .where(eq(schema.surveys.isDeleted, true))
        .limit(1);
    if (!gone) return false;
    for (const table of SURVEY_TABLES) {
        const [result] = await db.execute(
            sql`delete from ${table} where ${table.surveyId} = ${gone.id} limit ${sql.raw(String(SWEPT_AT_ONCE))}`,
        );
        if (result.affectedRows > 0) return true;
    }
    await db.delete(schema.surveys).where(eq(schema.surveys.id, gone.id));
    return true;
}

const SURVEY_TABLES = [
    schema.packedChunks,
    schema.packedParts,
    schema.pageSources,
    schema.pageDetails,
    schema.pageMains,
    schema.pageBlocks,
    schema.blocks,
    schema.layouts,
    schema.linkLists,
    schema.pages,
    schema.targetChecks,
    schema.evidence,
    schema.files,
    schema.listRows,
    schema.lists,
    schema.revisions,
    schema.addresses,
];
