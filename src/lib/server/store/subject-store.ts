/** What pages are about, as the architect says it: of the site, not of a survey. */
import { and, asc, eq, inArray } from 'drizzle-orm';
import type { SaidSubject } from '../../wire/subjects.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

/** In the order they were said: of several sets with one page, the last counts. */
export async function listSubjects(db: Database, siteId: number): Promise<SaidSubject[]> {
    const { subjects } = schema;
    const rows = await db.select().from(subjects).where(eq(subjects.siteId, siteId)).orderBy(asc(subjects.id));
    return rows.map(({ by, subject, words }) => ({
        by: by === 'set' ? 'set' : 'page',
        subject,
        words: words.split('\n').filter((word) => word !== ''),
    }));
}

/** Keeps them, each in place of what was said of the same page or set; without words that is taken back. */
export async function saveSubjects(db: Database, siteId: number, said: readonly SaidSubject[]): Promise<void> {
    const { subjects } = schema;
    const keyOf = ({ by, subject }: Pick<SaidSubject, 'by' | 'subject'>): string => `${by} ${subject}`;
    const last = new Map(said.map((item) => [keyOf(item), item]));
    await db.transaction(async (tx) => {
        const rows = await tx
            .select({ id: subjects.id, by: subjects.by, subject: subjects.subject })
            .from(subjects)
            .where(eq(subjects.siteId, siteId));
        const gone = rows.filter(({ by, subject }) => last.has(`${by} ${subject}`)).map(({ id }) => id);
        if (gone.length > 0)
            await tx.delete(subjects).where(and(eq(subjects.siteId, siteId), inArray(subjects.id, gone)));
        const kept = [...last.values()].filter(({ words }) => words.length > 0);
        if (kept.length === 0) return;
        const updatedAt = Date.now();
        await tx
            .insert(subjects)
            .values(
                kept.map(({ by, subject, words }) => ({ siteId, by, subject, words: words.join('\n'), updatedAt })),
            );
    });
}
