/** Door checks as they were found, newest first. */
import { and, desc, eq, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { problemText } from '../../core/problems/problem.ts';
import type { DoorFacts, DoorReport } from '../../core/door/door-report.ts';
import { judgeDoor } from '../../core/door/judge-door.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface StoredKnock {
    id: number;
    siteId: number | null;
    url: string;
    at: number;
    report: DoorReport;
}

const Place = z.object({ say: z.string(), where: z.string() });
/** Reports of earlier versions hold sentences there, which are read as such. */
const StoredProblem = z.string().transform(problemText);

const Hop = z.object({
    url: z.string(),
    status: z.number().nullable(),
    to: z.string(),
    by: z.enum(['location', 'refresh', '']),
    failure: StoredProblem,
});
const Page = z.object({
    url: z.string(),
    hops: z.array(Hop),
    status: z.number().nullable(),
    failure: StoredProblem,
    contentType: z.string(),
    title: z.string(),
    language: z.string(),
    words: z.number().nullable(),
    links: z.number().nullable(),
    scripts: z.number(),
    noindex: Place.nullable(),
    noindexInBody: Place.nullable(),
    canonical: Place.nullable(),
    refresh: Place.nullable(),
    closedBy: StoredProblem,
    isLeft: z.boolean(),
});
/** The facts of a report, as stored. What they mean is worked out from them, by the rules of this version. */
const StoredReport: z.ZodType<{ facts: DoorFacts }> = z.object({
    facts: z.object({
        url: z.string(),
        at: z.number(),
        agent: z.string(),
        token: z.string(),
        otherAgent: z.string(),
        keepsOut: z.boolean(),
        variants: z.array(
            z.object({
                origin: z.string(),
                hops: z.array(Hop),
                lands: z.string(),
                canonical: z.string(),
                certificate: z
                    .object({
                        isTrusted: z.boolean(),
                        trouble: z.string(),
                        issuer: z.string(),
                        names: z.array(z.string()),
                        validTo: z.number().nullable(),
                        isPinned: z.boolean(),
                    })
                    .nullable(),
            }),
        ),
        robots: z.object({
            url: z.string(),
            status: z.number().nullable(),
            bytes: z.number().nullable(),
            note: z.string(),
            closes: z.enum(['nothing', 'some', 'start', 'site', 'unreachable']),
            rule: z.string(),
            line: z.number(),
            group: z.string(),
            rules: z.number(),
            sitemaps: z.array(z.object({ href: z.string(), line: z.number() })),
            crawlDelay: z.number().nullable(),
        }),
        start: Page,
        startAsOther: Page.nullable(),
        samples: z.array(Page),
        differences: z.array(z.object({ url: z.string(), what: z.string(), ours: z.string(), other: z.string() })),
        sitemaps: z.array(
            z.object({
                url: z.string(),
                found: z.string(),
                kind: z.enum(['urlset', 'sitemapindex', 'text', 'feed', 'unknown', 'missing']),
                entries: z.number().nullable(),
                bytes: z.number().nullable(),
                steps: z.array(
                    z.object({ test: z.string(), tried: z.string(), seen: z.string(), ok: z.boolean().nullable() }),
                ),
            }),
        ),
        expected: z.number().nullable(),
        neighbours: z.array(z.object({ host: z.string(), links: z.number(), example: z.string() })),
    }),
});

function toKnock(row: typeof schema.doorChecks.$inferSelect): StoredKnock {
    const { facts } = StoredReport.parse(row.report);
    return { ...row, report: { facts, verdict: judgeDoor(facts) } };
}

export async function addKnock(db: Database, siteId: number | null, { facts }: DoorReport): Promise<number> {
    const { url, at } = facts;
    const [made] = await db.insert(schema.doorChecks).values({ siteId, url, at, report: { facts } }).$returningId();
    if (!made) throw new Error('the knock got no number');
    return made.id;
}

/** The last knocks of a site, or of nobody's site. */
export async function listKnocks(db: Database, siteId: number | null, most = 20): Promise<StoredKnock[]> {
    const { doorChecks } = schema;
    const rows = await db
        .select()
        .from(doorChecks)
        .where(siteId === null ? isNull(doorChecks.siteId) : eq(doorChecks.siteId, siteId))
        .orderBy(desc(doorChecks.id))
        .limit(most);
    return rows.map(toKnock);
}

/** The knock before a given one at the same URL; null for the first. */
export async function knockBefore(db: Database, knock: StoredKnock): Promise<StoredKnock | null> {
    const knocks = await listKnocks(db, knock.siteId, 200);
    return knocks.find((item) => item.id < knock.id && item.url === knock.url) ?? null;
}

export async function getKnock(db: Database, siteId: number | null, id: number): Promise<StoredKnock | null> {
    const { doorChecks } = schema;
    const [row] = await db
        .select()
        .from(doorChecks)
        .where(and(eq(doorChecks.id, id), siteId === null ? isNull(doorChecks.siteId) : eq(doorChecks.siteId, siteId)));
    return row ? toKnock(row) : null;
}
