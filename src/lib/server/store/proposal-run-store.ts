/**
 * Proposals looked for, for all targets of a set: a job of a worker, taken under a lease as surveys are. Its targets are
 * kept in their order, each with what was found, so that whoever takes it goes on where it was left.
 */
import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm';
import { readProblem, type ProblemText } from '../../core/problems/problem.ts';
import { problemWords } from '../../core/words/problems.ts';
import { FoundSentences, RUN_STATES, type FoundSentence, type ProposalRun } from '../../wire/proposal-run.ts';
import type { Database } from './connect.ts';
import { LEASE_MILLISECONDS } from './job-store.ts';
import * as schema from './schema.ts';
import type { Survey } from './survey-store.ts';

const { proposalRuns: runs, proposalRunTargets: targets } = schema;

const AT_ONCE = 1_000;
/** Times a run is taken up: one that ends its worker each time is no use. */
const MOST_ATTEMPTS = 5;

const isLive = or(eq(runs.state, 'waiting'), eq(runs.state, 'running'));

/** Begins a run in place of the survey's last; one of the site that still goes on is stopped. */
export async function startProposalRun(
    db: Database,
    run: { siteId: number; surveyId: number; revision: number; line: string; targets: readonly string[] },
): Promise<void> {
    await db.transaction(async (tx) => {
        const now = Date.now();
        await tx
            .update(runs)
            .set({ state: 'stopped', endedAt: now })
            .where(and(eq(runs.siteId, run.siteId), isLive));
        await forgetProposalRuns(tx, [run.surveyId]);
        const [{ id }] = (await tx
            .insert(runs)
            .values({
                siteId: run.siteId,
                surveyId: run.surveyId,
                revision: run.revision,
                line: run.line,
                // Nobody takes it before its targets are there: the transaction ends with them.
                state: 'waiting',
                trouble: '',
                targets: run.targets.length,
                owner: '',
                leaseUntil: 0,
                attempts: 0,
                createdAt: now,
            })
            .$returningId()) as [{ id: number }];
        for (let from = 0; from < run.targets.length; from += AT_ONCE) {
            const rows = run.targets
                .slice(from, from + AT_ONCE)
                .map((target, index) => ({ runId: id, place: from + index, target }));
            await tx.insert(targets).values(rows);
        }
    });
}

/** Forgets the runs of surveys. */
export async function forgetProposalRuns(
    db: Pick<Database, 'select' | 'delete'>,
    surveyIds: readonly number[],
): Promise<void> {
    const old = await db
        .select({ id: runs.id })
        .from(runs)
        .where(inArray(runs.surveyId, [...surveyIds]));
    if (old.length === 0) return;
    const ids = old.map(({ id }) => id);
    await db.delete(targets).where(inArray(targets.runId, ids));
    await db.delete(runs).where(inArray(runs.id, ids));
}

/** The last run of a revision of a survey, and how far it is; null where there was none. */
export async function latestProposalRun(
    db: Database,
    { id: surveyId, revision }: Pick<Survey, 'id' | 'revision'>,
): Promise<ProposalRun | null> {
    const [run] = await db
        .select()
        .from(runs)
        .where(and(eq(runs.surveyId, surveyId), eq(runs.revision, revision)))
        .orderBy(desc(runs.id))
        .limit(1);
    if (!run) return null;
    const [counts] = await db
        .select({
            done: sql<number>`count(${targets.sentences})`.mapWith(Number),
            withSentences: sql<number>`coalesce(sum(${targets.sentences} > 0), 0)`.mapWith(Number),
            sentences: sql<number>`coalesce(sum(${targets.sentences}), 0)`.mapWith(Number),
        })
        .from(targets)
        .where(eq(targets.runId, run.id));
    const trouble = run.trouble === '' ? null : readProblem(run.trouble as ProblemText);
    return {
        id: run.id,
        line: run.line,
        state: RUN_STATES.find((state) => state === run.state) ?? 'failed',
        trouble: trouble === null ? '' : problemWords(trouble),
        targets: run.targets,
        ...(counts ?? { done: 0, withSentences: 0, sentences: 0 }),
        createdAt: run.createdAt,
        endedAt: run.endedAt,
    };
}

export interface TakenRun {
    id: number;
    siteId: number;
    surveyId: number;
    revision: number;
    /** Taken up too often: it is not begun again. */
    isGivenUp: boolean;
}

/** Takes a run that nobody works at, if there is one. @param isDead tells whether an owner's process is known to be gone */
export async function takeProposalRun(
    db: Database,
    owner: string,
    isDead: (owner: string) => boolean,
): Promise<TakenRun | null> {
    return db.transaction(async (tx) => {
        const rows = await tx.select().from(runs).where(isLive).orderBy(runs.id).for('update', { skipLocked: true });
        const now = Date.now();
        const free = rows.find((row) => row.state === 'waiting' || row.leaseUntil < now || isDead(row.owner));
        if (!free) return null;
        const attempts = free.attempts + 1;
        await tx
            .update(runs)
            .set({ state: 'running', owner, leaseUntil: now + LEASE_MILLISECONDS, attempts })
            .where(eq(runs.id, free.id));
        const { id, siteId, surveyId, revision } = free;
        return { id, siteId, surveyId, revision, isGivenUp: attempts > MOST_ATTEMPTS };
    });
}

const mine = (id: number, owner: string) => and(eq(runs.id, id), eq(runs.owner, owner), eq(runs.state, 'running'));

/** Renews the lease; false where the run was stopped, or is another's now. */
export async function renewProposalRun(db: Database, id: number, owner: string): Promise<boolean> {
    await db
        .update(runs)
        .set({ leaseUntil: Date.now() + LEASE_MILLISECONDS })
        .where(mine(id, owner));
    const [row] = await db.select({ id: runs.id }).from(runs).where(mine(id, owner));
    return row !== undefined;
}

/** Gives a run back, so that another worker goes on with it at once; what was found stays. */
export async function releaseProposalRun(db: Database, id: number, owner: string): Promise<void> {
    await db.update(runs).set({ state: 'waiting', owner: '', leaseUntil: 0, attempts: 0 }).where(mine(id, owner));
}

export async function endProposalRun(
    db: Database,
    id: number,
    owner: string,
    end: { state: 'done' | 'failed'; trouble: ProblemText },
): Promise<void> {
    await db
        .update(runs)
        .set({ ...end, endedAt: Date.now() })
        .where(mine(id, owner));
}

/** Stops what goes on for a survey; what was found stays. */
export async function stopProposalRun(db: Database, surveyId: number): Promise<void> {
    await db
        .update(runs)
        .set({ state: 'stopped', endedAt: Date.now() })
        .where(and(eq(runs.surveyId, surveyId), isLive));
}

/** Targets that were not looked at yet, in their order. */
export async function openTargets(
    db: Database,
    id: number,
    most: number,
): Promise<{ place: number; target: string }[]> {
    return db
        .select({ place: targets.place, target: targets.target })
        .from(targets)
        .where(and(eq(targets.runId, id), isNull(targets.sentences)))
        .orderBy(asc(targets.place))
        .limit(most);
}

/** Keeps what was found for a target: the number of sentences, and the best of them. */
export async function saveFound(
    db: Database,
    id: number,
    place: number,
    { sentences, best }: { sentences: number; best: readonly FoundSentence[] },
): Promise<void> {
    await db
        .update(targets)
        .set({ sentences, best, score: best[0]?.score ?? 0 })
        .where(and(eq(targets.runId, id), eq(targets.place, place)));
}

/** How many sentences speak of each target that was looked at, and the score of the best. */
export async function foundOfRun(db: Database, id: number): Promise<Map<string, { sentences: number; score: number }>> {
    const rows = await db
        .select({ target: targets.target, sentences: targets.sentences, score: targets.score })
        .from(targets)
        .where(and(eq(targets.runId, id), isNotNull(targets.sentences)));
    return new Map(
        rows.map(({ target, sentences, score }) => [target, { sentences: sentences ?? 0, score: score ?? 0 }]),
    );
}

/** What was found, target by target in their order, a few at a time. */
export async function* eachFound(
    db: Database,
    id: number,
): AsyncGenerator<{ target: string; best: readonly FoundSentence[] }> {
    for (let last = -1; ;) {
        const rows = await db
            .select({ place: targets.place, target: targets.target, best: targets.best })
            .from(targets)
            .where(and(eq(targets.runId, id), gt(targets.place, last), gt(targets.sentences, 0)))
            .orderBy(asc(targets.place))
            .limit(AT_ONCE);
        for (const { target, best } of rows) yield { target, best: FoundSentences.parse(best) };
        if (rows.length < AT_ONCE) return;
        last = rows[rows.length - 1]!.place;
    }
}
