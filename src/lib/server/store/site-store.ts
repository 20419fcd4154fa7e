/** Sites: a start URL, and the settings last used for it. */
import { desc, eq } from 'drizzle-orm';
import { DepthGoals, NO_GOALS } from '../../wire/goals.ts';
import { NO_WANTED, WantedLinks } from '../../wire/wanted-links.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { StoredSettings } from '../access/settings.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface Site {
    id: number;
    name: string;
    start: string;
    settings: SurveySettings;
    /** Headers, cookies and sign-in last used, sealed; null when there are none. */
    secrets: Buffer | null;
    depthGoals: DepthGoals;
    wantedLinks: WantedLinks;
    createdAt: number;
}

function toSite(row: typeof schema.sites.$inferSelect): Site {
    return {
        ...row,
        settings: StoredSettings.parse(row.settings),
        depthGoals: row.depthGoals === null ? NO_GOALS : DepthGoals.parse(row.depthGoals),
        wantedLinks: row.wantedLinks === null ? NO_WANTED : WantedLinks.parse(row.wantedLinks),
    };
}

/** All sites, newest first. */
export async function listSites(db: Database): Promise<Site[]> {
    return (await db.select().from(schema.sites).orderBy(desc(schema.sites.id))).map(toSite);
}

export async function getSite(db: Database, id: number): Promise<Site | null> {
    const [row] = await db.select().from(schema.sites).where(eq(schema.sites.id, id));
    return row ? toSite(row) : null;
}

export async function addSite(
    db: Database,
    name: string,
    settings: SurveySettings,
    secrets: Buffer | null = null,
): Promise<Site> {
    const [made] = await db
        .insert(schema.sites)
        .values({ name, start: settings.start, settings, secrets, createdAt: Date.now() })
        .$returningId();
    const site = made && (await getSite(db, made.id));
    if (!site) throw new Error('the site vanished');
    return site;
}

/** The site with that start URL, made when there is none; its last settings become these. */
export async function siteForStart(
    db: Database,
    name: string,
    settings: SurveySettings,
    secrets: Buffer | null = null,
): Promise<Site> {
    const known = (await listSites(db)).find((site) => site.start === settings.start);
    if (!known) return addSite(db, name, settings, secrets);
    await saveSiteSettings(db, known.id, settings, secrets);
    return { ...known, settings, secrets };
}

export async function saveSiteSettings(
    db: Database,
    id: number,
    settings: SurveySettings,
    secrets: Buffer | null = null,
): Promise<void> {
    await db.update(schema.sites).set({ settings, secrets }).where(eq(schema.sites.id, id));
}

/** What depth the architect wants at most; nulls for no goal. */
export async function saveDepthGoals(db: Database, id: number, goals: DepthGoals): Promise<void> {
    await db.update(schema.sites).set({ depthGoals: goals }).where(eq(schema.sites.id, id));
}

/** How many followed incoming pages a page should have, by priority; nulls for no wish. */
export async function saveWantedLinks(db: Database, id: number, wanted: WantedLinks): Promise<void> {
    await db.update(schema.sites).set({ wantedLinks: wanted }).where(eq(schema.sites.id, id));
}
