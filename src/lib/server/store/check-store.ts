/** What a site says of the checks: which are off, thresholds of its own, and what is accepted. */
import { and, asc, eq } from 'drizzle-orm';
import { StoredCheckSettings, type NewAcceptance } from '../../wire/checks.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface Acceptance extends NewAcceptance {
    id: number;
    createdAt: number;
}

export const NOTHING_SAID: StoredCheckSettings = { off: [], thresholds: {} };

/** Those of a site that is gone are the register's. */
export async function checkSettingsOf(db: Database, siteId: number): Promise<StoredCheckSettings> {
    const [row] = await db
        .select({ said: schema.sites.checkSettings })
        .from(schema.sites)
        .where(eq(schema.sites.id, siteId));
    return row === undefined || row.said === null ? NOTHING_SAID : StoredCheckSettings.parse(row.said);
}

export async function saveCheckSettings(db: Database, siteId: number, said: StoredCheckSettings): Promise<void> {
    await db.update(schema.sites).set({ checkSettings: said }).where(eq(schema.sites.id, siteId));
}

/** What is accepted of a site, oldest first. */
export async function listAcceptances(db: Database, siteId: number): Promise<Acceptance[]> {
    const { acceptances } = schema;
    const rows = await db.select().from(acceptances).where(eq(acceptances.siteId, siteId)).orderBy(asc(acceptances.id));
    return rows.map(({ siteId: _, ...acceptance }) => acceptance);
}

/** Accepts something; of what is accepted already the reason becomes this one. */
export async function accept(db: Database, siteId: number, { check, subject, note }: NewAcceptance): Promise<void> {
    const { acceptances } = schema;
    const same = and(eq(acceptances.siteId, siteId), eq(acceptances.check, check), eq(acceptances.subject, subject));
    await db.transaction(async (inside) => {
        await inside.delete(acceptances).where(same);
        await inside.insert(acceptances).values({ siteId, check, subject, note, createdAt: Date.now() });
    });
}

/** Takes an acceptance back; one of another site stays. */
export async function withdraw(db: Database, siteId: number, id: number): Promise<void> {
    const { acceptances } = schema;
    await db.delete(acceptances).where(and(eq(acceptances.siteId, siteId), eq(acceptances.id, id)));
}
