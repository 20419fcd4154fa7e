/** Jobs: taken by one worker at a time under a lease; a lease that ran out, or whose owner died, is free again. */
import { and, eq, lt, or } from 'drizzle-orm';
import type { SurveyProgress } from '../../core/survey/progress.ts';
import { Progress } from '../../wire/progress.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

/** A lease holds this long; its owner renews it several times within. */
export const LEASE_MILLISECONDS = 10_000;

export interface Job {
    id: number;
    surveyId: number;
    attempts: number;
}

/**
 * Takes a job, if there is one. SKIP LOCKED lets several workers look at the same time.
 * @param isDead tells whether an owner's process is known to be gone, so that its lease need not run out
 */
export async function takeJob(db: Database, owner: string, isDead: (owner: string) => boolean): Promise<Job | null> {
    return db.transaction(async (tx) => {
        const rows = await tx
            .select()
            .from(schema.jobs)
            .where(or(eq(schema.jobs.state, 'waiting'), eq(schema.jobs.state, 'running')))
            .orderBy(schema.jobs.id)
            .for('update', { skipLocked: true });
        const now = Date.now();
        const free = rows.find((row) => row.state === 'waiting' || row.leaseUntil < now || isDead(row.owner));
        if (!free) return null;
        await tx
            .update(schema.jobs)
            .set({ state: 'running', owner, leaseUntil: now + LEASE_MILLISECONDS, attempts: free.attempts + 1 })
            .where(eq(schema.jobs.id, free.id));
        return { id: free.id, surveyId: free.surveyId, attempts: free.attempts + 1 };
    });
}

/** Renews a lease; says whether it is still ours and whether a stop or a pause was asked for. */
export async function renewLease(
    db: Database,
    surveyId: number,
    owner: string,
): Promise<{ ours: boolean; stopAsked: boolean; pauseAsked: boolean }> {
    const mine = and(eq(schema.jobs.surveyId, surveyId), eq(schema.jobs.owner, owner));
    await db
        .update(schema.jobs)
        .set({ leaseUntil: Date.now() + LEASE_MILLISECONDS })
        .where(mine);
    const [row] = await db.select().from(schema.jobs).where(mine);
    return { ours: row !== undefined, stopAsked: row?.stopAsked ?? false, pauseAsked: row?.pauseAsked ?? false };
}

export async function saveProgress(db: Database, surveyId: number, progress: SurveyProgress): Promise<void> {
    await db.update(schema.jobs).set({ progress }).where(eq(schema.jobs.surveyId, surveyId));
}

/** Progress of a survey's job; null before it began. */
export async function readProgress(
    db: Database,
    surveyId: number,
): Promise<{ progress: SurveyProgress | null; stopAsked: boolean; pauseAsked: boolean; isKnocking: boolean }> {
    const [row] = await db.select().from(schema.jobs).where(eq(schema.jobs.surveyId, surveyId));
    const progress = Progress.nullable().safeParse(row?.progress ?? null);
    return {
        progress: progress.success ? progress.data : null,
        stopAsked: row?.stopAsked ?? false,
        pauseAsked: row?.pauseAsked ?? false,
        isKnocking: (row?.knock ?? false) && row?.state === 'running',
    };
}

/** Whether the door is still to be knocked at before the survey begins. */
export async function isToKnock(db: Database, surveyId: number): Promise<boolean> {
    const [row] = await db
        .select({ knock: schema.jobs.knock })
        .from(schema.jobs)
        .where(eq(schema.jobs.surveyId, surveyId));
    return row?.knock ?? false;
}

/** The door was knocked at. */
export async function knocked(db: Database, surveyId: number): Promise<void> {
    await db.update(schema.jobs).set({ knock: false }).where(eq(schema.jobs.surveyId, surveyId));
}

export async function askToStop(db: Database, surveyId: number): Promise<void> {
    await db.update(schema.jobs).set({ stopAsked: true }).where(eq(schema.jobs.surveyId, surveyId));
}

export async function askToPause(db: Database, surveyId: number): Promise<void> {
    await db.update(schema.jobs).set({ pauseAsked: true }).where(eq(schema.jobs.surveyId, surveyId));
}

/** Gives a job back, so that another worker goes on with it at once. */
export async function releaseJob(db: Database, surveyId: number, owner: string): Promise<void> {
    await db
        .update(schema.jobs)
        .set({ state: 'waiting', owner: '', leaseUntil: 0 })
        .where(
            and(
                eq(schema.jobs.surveyId, surveyId),
                eq(schema.jobs.owner, owner),
                lt(schema.jobs.leaseUntil, Number.MAX_SAFE_INTEGER),
            ),
        );
}
