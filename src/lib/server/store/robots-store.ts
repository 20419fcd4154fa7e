/** Texts of robots.txt: what is proposed for the hosts of a site, and what its other surveys received. */
import { and, asc, desc, eq, ne } from 'drizzle-orm';
import type { RobotsProposal } from '../../wire/robots-proposal.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface KeptProposal extends RobotsProposal {
    updatedAt: number;
}

/** Those of a site, host by host. */
export async function listProposals(db: Database, siteId: number): Promise<KeptProposal[]> {
    const { robotsProposals } = schema;
    const rows = await db
        .select()
        .from(robotsProposals)
        .where(eq(robotsProposals.siteId, siteId))
        .orderBy(asc(robotsProposals.origin));
    return rows.map(({ origin, text, note, updatedAt }) => ({ origin, text, note, updatedAt }));
}

/** Keeps a proposal in place of the one before. */
export async function saveProposal(
    db: Database,
    siteId: number,
    { origin, text, note }: RobotsProposal,
): Promise<void> {
    const said = { text, note, updatedAt: Date.now() };
    await db
        .insert(schema.robotsProposals)
        .values({ siteId, origin, ...said })
        .onDuplicateKeyUpdate({ set: said });
}

export async function dropProposal(db: Database, siteId: number, origin: string): Promise<void> {
    const { robotsProposals } = schema;
    await db.delete(robotsProposals).where(and(eq(robotsProposals.siteId, siteId), eq(robotsProposals.origin, origin)));
}

/** A robots.txt as another survey of the site received it. */
export interface OtherRobots {
    survey: number;
    startedAt: number | null;
    asOf: string;
    text: string;
}

const MOST_SURVEYS = 20;

/** Those of one address in the other surveys that received a text there, the newest first. */
export async function robotsElsewhere(
    db: Database,
    { siteId, id }: { siteId: number; id: number },
    url: string,
): Promise<OtherRobots[]> {
    const { files, surveys } = schema;
    return db
        .select({ survey: surveys.number, startedAt: surveys.startedAt, asOf: surveys.asOf, text: files.text })
        .from(surveys)
        .innerJoin(files, and(eq(files.surveyId, surveys.id), eq(files.kind, 'robots'), eq(files.url, url)))
        .where(and(eq(surveys.siteId, siteId), ne(surveys.id, id), eq(surveys.isDeleted, false), eq(files.status, 200)))
        .orderBy(desc(surveys.number))
        .limit(MOST_SURVEYS);
}
