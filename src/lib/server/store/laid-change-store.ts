/** Changes to links that are laid aside, and what was answered to proposals. Both are of the site. */
import { and, asc, eq, inArray } from 'drizzle-orm';
import type { KeptChange, LaidChange } from '../../wire/laid-change.ts';
import { CHANGE_KINDS } from '../../wire/laid-change.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

const kindOf = (kind: string): KeptChange['kind'] => {
    const known = CHANGE_KINDS.find((item) => item === kind);
    if (!known) throw new Error(`a change of kind ${kind}`);
    return known;
};

/** Those of a site, in the order they were laid aside. */
export async function listChanges(db: Database, siteId: number): Promise<KeptChange[]> {
    const { laidChanges } = schema;
    const rows = await db.select().from(laidChanges).where(eq(laidChanges.siteId, siteId)).orderBy(asc(laidChanges.id));
    return rows.map(({ siteId: _, kind, ...row }) => ({ ...row, kind: kindOf(kind) }));
}

/** Which link a change is about: a later one about the same takes its place. */
const linkOf = ({ kind, page, line, oldAnchor, oldTarget, newTarget }: LaidChange): string =>
    JSON.stringify(kind === 'add' ? ['add', page, newTarget] : [page, line, oldAnchor, oldTarget]);

/** Lays changes aside, each in place of an earlier one of the same link. @returns how many there are now */
export async function layAside(
    db: Database,
    siteId: number,
    survey: number,
    changes: readonly LaidChange[],
): Promise<void> {
    const { laidChanges } = schema;
    const known = new Map((await listChanges(db, siteId)).map((change) => [linkOf(change), change.id]));
    const replaced = changes.map((change) => known.get(linkOf(change))).filter((id) => id !== undefined);
    await db.transaction(async (tx) => {
        if (replaced.length > 0) await tx.delete(laidChanges).where(inArray(laidChanges.id, replaced));
        const createdAt = Date.now();
        // The last said of a link counts.
        const once = new Map(changes.map((change) => [linkOf(change), change]));
        await tx
            .insert(laidChanges)
            .values([...once.values()].map((change) => ({ ...change, siteId, survey, createdAt })));
    });
}

export async function dropChanges(db: Database, siteId: number, ids: readonly number[]): Promise<void> {
    if (ids.length === 0) return;
    const { laidChanges } = schema;
    await db.delete(laidChanges).where(and(eq(laidChanges.siteId, siteId), inArray(laidChanges.id, [...ids])));
}

export interface Answered {
    answer: 'refused' | 'later';
    source: string;
    target: string;
}

export async function listAnswers(db: Database, siteId: number): Promise<Answered[]> {
    const { proposalAnswers } = schema;
    const rows = await db.select().from(proposalAnswers).where(eq(proposalAnswers.siteId, siteId));
    return rows.map(({ answer, source, target }) => ({
        answer: answer === 'refused' ? 'refused' : 'later',
        source,
        target,
    }));
}

/** Keeps what was answered to a proposal, in place of the answer before; `open` takes it back. */
export async function answerProposal(
    db: Database,
    siteId: number,
    { answer, source, target }: { answer: Answered['answer'] | 'open'; source: string; target: string },
): Promise<void> {
    const { proposalAnswers } = schema;
    const same = and(
        eq(proposalAnswers.siteId, siteId),
        eq(proposalAnswers.source, source),
        eq(proposalAnswers.target, target),
    );
    await db.transaction(async (tx) => {
        await tx.delete(proposalAnswers).where(same);
        if (answer === 'open') return;
        await tx.insert(proposalAnswers).values({ siteId, answer, source, target, createdAt: Date.now() });
    });
}
