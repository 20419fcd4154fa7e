/**
 * What a door check found, as plain data: who answers at a site's door, what its robots.txt, start page and sitemaps
 * say, and how another agent is answered. The facts are stored, so that two knocks can be laid side by side; what they mean
 * is worked out anew.
 */
import type { Problem, ProblemText } from '../problems/problem.ts';

/** One answer on the way from a URL to where it lands. */
export interface DoorHop {
    url: string;
    /** Null when there was no answer. */
    status: number | null;
    /** Where it leads on; empty for the last. */
    to: string;
    /** How it leads on: the `Location` header or a refresh without delay. */
    by: 'location' | 'refresh' | '';
    /** Why there is no answer, or none that can be read; empty otherwise. */
    failure: ProblemText;
}

export interface DoorCertificate {
    /** Taken by a client that knows the usual authorities. */
    isTrusted: boolean;
    /** Why it is not; empty when it is. */
    trouble: ProblemText;
    issuer: string;
    /** Names it is made out to. */
    names: string[];
    /** UTC, milliseconds since 1970; null when it could not be read. */
    validTo: number | null;
    /** The host is pinned: a survey takes its certificate whatever it says. */
    isPinned: boolean;
}

/** One of the four usual ways to write the host. */
export interface DoorVariant {
    /** `https://www.a.example`, the origin asked. */
    origin: string;
    hops: DoorHop[];
    /** Origin it lands on; empty when it does not land. */
    lands: string;
    /** Canonical its page declares; empty when none. */
    canonical: string;
    certificate: DoorCertificate | null;
}

/** Where a thing is said. */
export type SourceMark =
    /** A meta of that name; line 0 where that is not known. */
    | { in: 'meta'; name: string; content: string; line: number }
    | { in: 'canonical'; line: number }
    | { in: 'refresh'; line: number }
    /** A header; its value empty where many say the same. */
    | { in: 'header'; name: string; value: string }
    /** Somewhere on a page. */
    | { in: 'page'; url: string }
    /** As an earlier version told it. */
    | { in: 'told'; say: string };

/** A thing said of a page, and every place that says it. */
export interface DoorPlace {
    say: ProblemText;
    where: SourceMark[];
}

/** The same of a canonical: the URL it names. */
export interface CanonicalPlace {
    say: string;
    where: SourceMark[];
}

/** A page as one agent gets it. */
export interface DoorPage {
    url: string;
    hops: DoorHop[];
    /** Of the last answer. */
    status: number | null;
    failure: ProblemText;
    contentType: string;
    title: string;
    language: string;
    /** Words of the body; null where there is no document. */
    words: number | null;
    /** Links to pages of the site itself; null where there is no document. */
    links: number | null;
    /** Other files and scripts it calls: what an empty page may be made by. */
    scripts: number;
    noindex: DoorPlace | null;
    /** Noindex that counts for nothing, because it stands in the body. */
    noindexInBody: DoorPlace | null;
    /** The accepted canonical where it is another URL. */
    canonical: CanonicalPlace | null;
    /** A refresh with a delay, or to the page itself. */
    refresh: DoorPlace | null;
    /** What robots.txt says of the URL asked: the rule that closes it; empty when nothing does. */
    closedBy: ProblemText;
    /** Not asked for, because robots.txt closes it and the check keeps to that. */
    isLeft: boolean;
}

export interface DoorRobots {
    url: string;
    status: number | null;
    /** Bytes as received; null when there was no answer. */
    bytes: number | null;
    /** What was found. */
    note: ProblemText;
    /** What it closes for our agent; `unreachable`: the file cannot be had, so everything counts as closed. */
    closes: 'nothing' | 'some' | 'start' | 'site' | 'unreachable';
    /** The rule that decides for the start page, as quoted, with its line; empty when none does. */
    rule: string;
    line: number;
    /** The agents of the group that speaks to ours: our token, or `*`; empty when no group does. */
    group: string;
    /** Rules that speak to our agent. */
    rules: number;
    sitemaps: { href: string; line: number }[];
    crawlDelay: number | null;
}

/** How a sitemap was found: on a line of a robots.txt or of an index, or at a usual place. */
export type SitemapFound =
    | { by: 'line'; file: string; line: number }
    /** `others`: robots.txt names sitemaps, this one not among them. */
    | { by: 'usual'; others: boolean }
    /** As an earlier version told it. */
    | { by: 'told'; say: string };

export type SitemapKind = 'urlset' | 'sitemapindex' | 'text' | 'feed' | 'unknown' | 'missing';

/** The first few of a list, and how many there are in all. */
export interface FirstOf<T> {
    first: T[];
    all: number;
}

/** An entry of a sitemap by the line it stands on. */
export interface EntryAt {
    line: number;
    url: string;
}

/** What each test of a sitemap saw, in the order they are made. */
export interface StepParams {
    found: { how: SitemapFound };
    /** It lies on a host that does not belong to the site. */
    host: { url: string };
    robots: { closedBy: Problem | null };
    /** The last answer, after so many redirects, at a URL. */
    answer: { url: string; redirects: number; at: string; status: number | null; failure: ProblemText };
    /** The address named redirects to that one. */
    redirect: { at: string };
    /** Headers that keep an old copy alive. */
    caching: { headers: string };
    /** Bytes unpacked; null where there is no body. */
    body: { bytes: number | null; trouble: Problem | null };
    type: { sent: string };
    form: { kind: SitemapKind; troubles: Problem[] };
    entries: { kind: SitemapKind; usable: number; troubles: FirstOf<Problem> };
    /** Entries on another host, with another scheme, or not below the file's own folder. */
    place: {
        origin: string;
        folder: string;
        hosts: FirstOf<EntryAt>;
        schemes: FirstOf<EntryAt>;
        above: FirstOf<EntryAt>;
    };
    /** Entries that stand on an earlier line too. */
    doubles: { kind: SitemapKind; twice: FirstOf<EntryAt & { before: number }> };
    dates: { odd: FirstOf<{ line: number; lastmod: string; isAhead: boolean }> };
    /** Nothing was found. */
    all: Record<string, never>;
    /** A step as an earlier version told it. */
    told: { test: string; tried: string; seen: string };
}

/** One test of a sitemap: what it saw, and whether that is in order; null where it is odd and no hindrance. */
export type SitemapStep<T extends keyof StepParams = keyof StepParams> = {
    [K in T]: { test: K; params: StepParams[K]; ok: boolean | null };
}[T];

export interface DoorSitemap {
    url: string;
    found: SitemapFound;
    kind: SitemapKind;
    /** Addresses it lists, files for an index; null when it could not be read. */
    entries: number | null;
    bytes: number | null;
    /** In order, cheapest first; ends with the first that makes the rest impossible. */
    steps: SitemapStep[];
}

export const DIFFERENCE_KINDS = ['status', 'landing', 'noindex', 'canonical', 'title', 'words', 'links'] as const;
export type DifferenceKind = (typeof DIFFERENCE_KINDS)[number];

/** What a door check does, in the order it does it. */
export type DoorStep = 'robots' | 'start' | 'other-agent' | 'variants' | 'sitemaps' | 'samples';

/** What another agent is answered where it differs. */
export interface DoorDifference {
    url: string;
    what: DifferenceKind;
    /**
     * What each is answered: a number as such, a URL, a title, what says noindex or why there is no answer
     * (`ProblemText`); empty where there is nothing of the kind.
     */
    ours: string;
    other: string;
}

export interface DoorNeighbour {
    host: string;
    links: number;
    /** A page that links there. */
    example: string;
}

export interface DoorFacts {
    /** The URL asked for, in our spelling. */
    url: string;
    /** When, UTC, milliseconds since 1970. */
    at: number;
    agent: string;
    token: string;
    otherAgent: string;
    /** What robots.txt closes was left alone, the start page included. */
    keepsOut: boolean;
    variants: DoorVariant[];
    robots: DoorRobots;
    start: DoorPage;
    /** The same page as the other agent gets it; null when it was not asked. */
    startAsOther: DoorPage | null;
    samples: DoorPage[];
    differences: DoorDifference[];
    sitemaps: DoorSitemap[];
    /** Distinct addresses over all sitemaps: the number of pages to expect; null when none could be read. */
    expected: number | null;
    neighbours: DoorNeighbour[];
}

/** What keeps a survey, or an index, out. */
export type BoltKind =
    | 'no-answer'
    | 'tls'
    /** Redirects that never reach a page. */
    | 'redirects'
    /** A redirect or a refresh to what is no part of the site. */
    | 'elsewhere'
    /** Another agent is let in. */
    | 'agent'
    | 'sign-in'
    | 'status'
    | 'robots'
    | 'noindex'
    | 'type'
    /** It answers 200, and its body cannot be read. */
    | 'unreadable'
    | 'empty'
    | 'canonical';

export interface Bolt {
    kind: BoltKind;
    /** Nobody who keeps to robots.txt will ever see it, because robots.txt closes the page it stands on. */
    isHidden: boolean;
    /** Holds for the start page only; others are open. */
    onlyHere: boolean;
}

/** What is odd without shutting anything. */
export type RemarkCode =
    | 'no-robots'
    /** Nothing behind a closed start page was looked at. */
    | 'kept-out'
    /** The start page was asked for although it is closed. */
    | 'asked-once'
    | 'noindex-in-body'
    | 'refresh'
    | 'no-language'
    /** Ways to write the host that lead to one of them, or to several. */
    | 'variants-agree'
    | 'variants-apart'
    | 'sitemap-unreadable'
    | 'no-sitemap'
    | 'crawl-delay'
    | 'certificate-ends';

export type DoorState = 'open' | 'half' | 'shut';

/** What the facts mean; in words by `core/words/door.ts`. */
export interface DoorVerdict {
    state: DoorState;
    bolts: Bolt[];
    remarks: RemarkCode[];
}

export interface DoorReport {
    facts: DoorFacts;
    verdict: DoorVerdict;
}
