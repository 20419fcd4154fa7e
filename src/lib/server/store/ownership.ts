/** Whose survey it is at the moment: only the owner of its job may store or close it. */
import { eq } from 'drizzle-orm';
import type { Executor } from './connect.ts';
import * as schema from './schema.ts';

/** The job of a survey belongs to another worker now: nothing more of ours may be stored. */
export class LeaseLost extends Error {}

/** Fails unless the job is that owner's; holds the job until the transaction ends, so that it stays so. */
export async function mustOwn(
    tx: Pick<Executor, 'select'>,
    surveyId: number,
    owner: string | undefined,
): Promise<void> {
    if (owner === undefined) return;
    const [job] = await tx
        .select({ owner: schema.jobs.owner })
        .from(schema.jobs)
        .where(eq(schema.jobs.surveyId, surveyId))
        .for('update');
    if (job?.owner !== owner) throw new LeaseLost(`survey ${surveyId} is done by another worker`);
}
