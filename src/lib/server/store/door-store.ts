/** Door checks as they were found, newest first. */
import { and, desc, eq, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { known, problemText, type Problem } from '../../core/problems/problem.ts';
import {
    DIFFERENCE_KINDS,
    type DifferenceKind,
    type DoorFacts,
    type DoorReport,
    type SitemapStep,
    type SourceMark,
} from '../../core/door/door-report.ts';
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

/** Reports of earlier versions hold sentences there, which are read as such. */
const StoredProblem = z.string().transform(problemText);

const Line = z.number();
const Where: z.ZodType<SourceMark[]> = z.union([
    // As earlier versions told it.
    z.string().transform((say) => [{ in: 'told' as const, say }]),
    z.array(
        z.discriminatedUnion('in', [
            z.object({ in: z.literal('meta'), name: z.string(), content: z.string(), line: Line }),
            z.object({ in: z.literal('canonical'), line: Line }),
            z.object({ in: z.literal('refresh'), line: Line }),
            z.object({ in: z.literal('header'), name: z.string(), value: z.string() }),
            z.object({ in: z.literal('page'), url: z.string() }),
            z.object({ in: z.literal('told'), say: z.string() }),
        ]),
    ),
]);
const Place = z.object({ say: StoredProblem, where: Where });
const CanonicalPlace = z.object({ say: z.string(), where: Where });

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
    canonical: CanonicalPlace.nullable(),
    refresh: Place.nullable(),
    closedBy: StoredProblem,
    isLeft: z.boolean(),
});
/** What earlier versions wrote where there was nothing. */
const NOTHING: Partial<Record<DifferenceKind, string>> = {
    status: 'no answer',
    noindex: 'none',
    canonical: 'itself or none',
};
const Difference = z
    .object({
        url: z.string(),
        what: z.preprocess((what) => (what === 'lands at' ? 'landing' : what), z.enum(DIFFERENCE_KINDS)),
        ours: z.string(),
        other: z.string(),
    })
    .transform(({ url, what, ours, other }) => {
        const kept = (text: string): string => (text === NOTHING[what] ? '' : text);
        return { url, what, ours: kept(ours), other: kept(other) };
    });
const SitemapKind = z.enum(['urlset', 'sitemapindex', 'text', 'feed', 'unknown', 'missing']);
const Found = z.union([
    // As earlier versions told it.
    z.string().transform((say) => ({ by: 'told' as const, say })),
    z.object({ by: z.literal('line'), file: z.string(), line: z.number() }),
    z.object({ by: z.literal('usual'), others: z.boolean() }),
    z.object({ by: z.literal('told'), say: z.string() }),
]);
const StoredObject = z.custom<Problem>((value) => known(value) !== null);
const firstOf = <T extends z.ZodType>(item: T) => z.object({ first: z.array(item), all: z.number() });
const Entry = z.object({ line: z.number(), url: z.string() });
const stepOf = <T extends string, P extends z.ZodType>(test: T, params: P) =>
    z.object({ test: z.literal(test), params, ok: z.boolean().nullable() });
const Step: z.ZodType<SitemapStep> = z.discriminatedUnion('test', [
    stepOf('found', z.object({ how: Found })),
    stepOf('host', z.object({ url: z.string() })),
    stepOf('robots', z.object({ closedBy: StoredObject.nullable() })),
    stepOf(
        'answer',
        z.object({
            url: z.string(),
            redirects: z.number(),
            at: z.string(),
            status: z.number().nullable(),
            failure: StoredProblem,
        }),
    ),
    stepOf('redirect', z.object({ at: z.string() })),
    stepOf('caching', z.object({ headers: z.string() })),
    stepOf('body', z.object({ bytes: z.number().nullable(), trouble: StoredObject.nullable() })),
    stepOf('type', z.object({ sent: z.string() })),
    stepOf('form', z.object({ kind: SitemapKind, troubles: z.array(StoredObject) })),
    stepOf('entries', z.object({ kind: SitemapKind, usable: z.number(), troubles: firstOf(StoredObject) })),
    stepOf(
        'place',
        z.object({
            origin: z.string(),
            folder: z.string(),
            hosts: firstOf(Entry),
            schemes: firstOf(Entry),
            above: firstOf(Entry),
        }),
    ),
    stepOf('doubles', z.object({ kind: SitemapKind, twice: firstOf(Entry.extend({ before: z.number() })) })),
    stepOf(
        'dates',
        z.object({ odd: firstOf(z.object({ line: z.number(), lastmod: z.string(), isAhead: z.boolean() })) }),
    ),
    stepOf('all', z.record(z.string(), z.never())),
    stepOf('told', z.object({ test: z.string(), tried: z.string(), seen: z.string() })),
]);
/** Earlier versions kept what was tried and seen in words. */
const OldStep = z
    .object({ test: z.string(), tried: z.string(), seen: z.string(), ok: z.boolean().nullable() })
    .transform(({ ok, ...params }): SitemapStep => ({ test: 'told', params, ok }));

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
                        trouble: StoredProblem,
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
            note: StoredProblem,
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
        differences: z.array(Difference),
        sitemaps: z.array(
            z.object({
                url: z.string(),
                found: Found,
                kind: SitemapKind,
                entries: z.number().nullable(),
                bytes: z.number().nullable(),
                steps: z.array(z.union([OldStep, Step])),
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
