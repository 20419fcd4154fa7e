/** Sets a site keeps by name, and the priorities of its pages: of the site, not of a survey. */
import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface SavedSet {
    id: number;
    name: string;
    expression: string;
}

export async function listSavedSets(db: Database, siteId: number): Promise<SavedSet[]> {
    const { savedSets } = schema;
    return db
        .select({ id: savedSets.id, name: savedSets.name, expression: savedSets.expression })
        .from(savedSets)
        .where(eq(savedSets.siteId, siteId))
        .orderBy(asc(savedSets.name));
}

/** Keeps a set under a name; the name's former set goes. */
export async function saveSet(db: Database, siteId: number, name: string, expression: string): Promise<void> {
    await db
        .insert(schema.savedSets)
        .values({ siteId, name, expression, createdAt: Date.now() })
        .onDuplicateKeyUpdate({ set: { expression } });
}

export async function dropSavedSet(db: Database, siteId: number, name: string): Promise<void> {
    await db.delete(schema.savedSets).where(and(eq(schema.savedSets.siteId, siteId), eq(schema.savedSets.name, name)));
}

const PRIORITY_BY = ['page', 'set', 'column'] as const;

export interface PriorityRule {
    id: number;
    by: (typeof PRIORITY_BY)[number];
    /** A URL, a line of the set language, or the name of a column. */
    subject: string;
    /** 1 to 3; 0 where the column itself tells. */
    value: number;
}

export async function listPriorities(db: Database, siteId: number): Promise<PriorityRule[]> {
    const { priorities } = schema;
    const rows = await db.select().from(priorities).where(eq(priorities.siteId, siteId)).orderBy(asc(priorities.id));
    return rows.map(({ id, by, subject, value }) => ({ id, by: z.enum(PRIORITY_BY).parse(by), subject, value }));
}

/** Sets the priority by a page, a set or a column; a value of null takes it away. */
export async function setPriority(
    db: Database,
    siteId: number,
    by: PriorityRule['by'],
    subject: string,
    value: number | null,
): Promise<void> {
    const { priorities } = schema;
    await db.transaction(async (tx) => {
        await tx
            .delete(priorities)
            .where(and(eq(priorities.siteId, siteId), eq(priorities.by, by), eq(priorities.subject, subject)));
        if (value !== null) await tx.insert(priorities).values({ siteId, by, subject, value, createdAt: Date.now() });
    });
}
