/**
 * The rows of a survey: the durable truth, as plain data. The crawl makes them, the store keeps them, the measures
 * read them. Numbers of addresses, lists, layouts and blocks are unique within one survey and start at 0.
 */
import type { LinkKind, Region } from '../page/links.ts';
import type { ProblemText } from '../problems/problem.ts';

/** An address met in a survey: a page of the site, or the target of a link that leads elsewhere. */
export interface AddressRow {
    id: number;
    /** http(s) URL without fragment, in our spelling. */
    url: string;
    internal: boolean;
}

/** Why a known URL has no status. */
export const NOT_READ_REASONS = [
    'robots',
    'limit',
    'stopped',
    'no-such-host',
    'refused',
    'timeout',
    'tls',
    'lost',
    'private',
    'broken-reply',
    /** Its family closed as a trap. */
    'trap',
    /** It looks like an action. */
    'action',
    /** It became known by evidence that was added after the survey had ended. */
    'later',
] as const;
export type NotRead = (typeof NOT_READ_REASONS)[number];

/** What is known of one internal URL after it was settled: read, failed, closed or left. */
export interface PageRow {
    /** Number of its address. */
    address: number;
    /** Place in the order of asking, from 0; -1 for what was not asked. */
    orderRead: number;
    status: number | null;
    /** Empty when there is a status. */
    notRead: NotRead | '';
    /** Why asking, or reading what was received, failed; empty unless it did. */
    failure: ProblemText;
    /** Media type after sniffing, lower case, without parameters. */
    contentType: string;
    /** What is odd about the type as sent; empty when nothing is. */
    typeNote: ProblemText;
    /** Why the body is not whole: what was read of it counts, the rest is not known. */
    bodyTrouble: ProblemText;
    /** What is wrong with its markup, one in a line (`writeProblems`); null where nobody looked, as earlier versions did not. */
    markup: ProblemText | null;
    /** Next hop of a redirect, an address number; null when there is none that can be used. */
    redirectTo: number | null;
    /** Target of a refresh without delay to another page. */
    instantRefresh: number | null;
    title: string;
    h1: string;
    description: string;
    language: string;
    /** Null where there is no document to count in. */
    words: number | null;
    metaRobots: string;
    xRobotsTag: string;
    noindex: boolean;
    noindexReason: ProblemText;
    nofollow: boolean;
    /** Distinct canonical targets declared in head or header, address numbers. */
    canonicals: number[];
    robotsAllowed: boolean | null;
    /** The rule that decides, or why everything is closed; empty when no rule decided. */
    robotsRule: ProblemText;
    /** Links of the page that named a user or a password; both were removed and stored nowhere. */
    credentialsRemoved: number;
    /** When it was last changed, by its own words, and by the header of its answer: UTC, milliseconds since 1970. */
    changedAt: number | null;
    lastModified: number | null;
    /** Size of the body as received and unpacked, bytes. */
    bytes: number | null;
    /** From asking to the last byte, milliseconds. */
    milliseconds: number | null;
    /** UTC, milliseconds since 1970. */
    readAt: number | null;
}

/** The row of a URL of which nothing was read. */
export function unreadPage(address: number): PageRow {
    return {
        address,
        orderRead: -1,
        status: null,
        notRead: '',
        failure: '',
        contentType: '',
        typeNote: '',
        bodyTrouble: '',
        markup: null,
        redirectTo: null,
        instantRefresh: null,
        title: '',
        h1: '',
        description: '',
        language: '',
        words: null,
        metaRobots: '',
        xRobotsTag: '',
        noindex: false,
        noindexReason: '',
        nofollow: false,
        canonicals: [],
        robotsAllowed: null,
        robotsRule: '',
        credentialsRemoved: 0,
        changedAt: null,
        lastModified: null,
        bytes: null,
        milliseconds: null,
        readAt: null,
    };
}

/**
 * Target of a canonical that names the page it stands on. Nearly every page has one: with the number of the page each
 * would be a list of its own, so it is one list, shared by all.
 */
export const SELF = -1;
/** The href of such a canonical in its layout, where it is written as the page's own URL; nobody writes a NUL. */
export const SELF_HREF = '\u0000';
/** The same where it is written as the page's own path and query. */
export const SELF_PATH_HREF = '\u0001';

/** One link of a list; its place on a page is in the layout. */
export interface ListedLink {
    kind: LinkKind;
    /** Number of the target's address, `SELF` for a canonical to the page itself; null for what is no http(s) address. */
    target: number | null;
    /** The target as written where it is no address, else empty. */
    text: string;
    fragment: string;
    anchor: string;
    name: string;
    rel: string;
    /** `LINK_MARK` bits; 0 where nobody looked, as earlier versions did not. */
    marks: number;
}

export interface LinkListRow {
    id: number;
    links: ListedLink[];
    /** The same as it is stored, where a text of it has been made; never read back. */
    content?: string;
}

/** How a block is written on a page: the place of each link from the block's first, and the hrefs as written. */
export interface LayoutRow {
    id: number;
    /** Lines below the block's first link; one per link. */
    lines: number[];
    /** Columns, from 1; one per link. */
    columns: number[];
    hrefs: string[];
    /** The same as it is stored, where a text of it has been made; never read back. */
    content?: string;
}

export interface BlockRow {
    id: number;
    region: Region;
    place: string;
    list: number;
    /** Hash of region, place and links with their URLs: equal between surveys. */
    name: string;
}

/** A block on a page. */
export interface PageBlockRow {
    /** Address number of the page. */
    page: number;
    /** Order of the block on the page, from 0. */
    ordinal: number;
    block: number;
    layout: number;
    /** Line of the block's first link; 0 where it stands in no markup. */
    line: number;
}

/** What is kept of a page beside its columns and links: facts, text and received source, packed by the reader. */
export interface PageDetailRow {
    /** Address number of the page. */
    page: number;
    /** `PageFactsRecord` of `core/survey/page-details.ts`, packed. */
    facts: Uint8Array;
    /** Text pieces with their blocks, packed; empty where there is no text. */
    text: Uint8Array;
    /** First 8 bytes of the SHA-256 of the body as received and unpacked. */
    bodyHash: Uint8Array;
    /** Signature of the text outside header, nav and footer; empty without words. */
    signature: Uint8Array;
    /** Sketch of the words of the same text that are its own to say; null where it is no document. */
    sketch: Uint8Array | null;
    /** Hashes of its ids (`core/page/fragments.ts`), 4 bytes each; null where they are not known. */
    ids: Uint8Array | null;
    /** What of the text is needed to tell the main text apart later (`packOutline`); empty where there is no text. */
    outline: Uint8Array;
    /** Body as received and unpacked, packed again; empty where it is not kept. */
    source: Uint8Array;
}

/** A link target that is no page of the site, asked for its status only: an external page or a resource. */
export interface CheckRow {
    address: number;
    kind: 'external' | 'resource';
    status: number | null;
    /** Empty when there is a status. */
    notRead: NotRead | '';
    failure: ProblemText;
    contentType: string;
    redirectTo: number | null;
    milliseconds: number | null;
    readAt: number;
}

/** Kinds of evidence that do not follow from the link rows. */
export const STORED_EVIDENCE = ['sitemap', 'robots', 'log', 'visits', 'search', 'external', 'manual'] as const;
export type StoredEvidence = (typeof STORED_EVIDENCE)[number];

/** Evidence that does not follow from the link rows. */
export interface EvidenceRow {
    address: number;
    evidence: StoredEvidence;
    /** File that names it (a sitemap's or robots.txt's URL, the name of a list); empty for typed in. */
    source: string;
    line: number;
    lastmod: string;
}

/** What the user decided about families of URLs of a survey. */
export interface SurveyDecisions {
    /** Patterns opened by hand. */
    opened: string[];
    /** Patterns closed by hand. */
    closed: string[];
    /** Action URLs to be asked for all the same. */
    actions: string[];
}

export const NO_DECISIONS: SurveyDecisions = { opened: [], closed: [], actions: [] };

/** A made-up address is kept as one: what a host answers for what is not there. */
export const FILE_KINDS = ['robots', 'sitemap', 'made-up'] as const;

/** A robots.txt, a sitemap or a made-up address that was asked for. */
export interface FileRow {
    kind: (typeof FILE_KINDS)[number];
    url: string;
    status: number | null;
    /** What was found, troubles included: `writeProblems`. */
    note: ProblemText;
    /** Addresses listed, for sitemaps that could be read; null otherwise. */
    entries: number | null;
    /**
     * Text of a robots.txt, bounded; of a sitemap index the files it names, one `line URL` in a line; of a made-up address
     * the hash of its text and, of eight words or more, the signature (`signatureText`); else empty.
     */
    text: string;
}

/** Everything stored of a survey. */
export interface SurveyRows {
    addresses: AddressRow[];
    pages: PageRow[];
    lists: LinkListRow[];
    layouts: LayoutRow[];
    blocks: BlockRow[];
    pageBlocks: PageBlockRow[];
    evidence: EvidenceRow[];
    files: FileRow[];
    checks: CheckRow[];
    /** Written once and read page by page: whoever loads all rows of a survey leaves them out. */
    details: PageDetailRow[];
}

/** A batch of new rows, in an order in which they can be stored. */
export type SurveyBatch = SurveyRows;

export function emptyRows(): SurveyRows {
    return {
        addresses: [],
        pages: [],
        lists: [],
        layouts: [],
        blocks: [],
        pageBlocks: [],
        evidence: [],
        files: [],
        checks: [],
        details: [],
    };
}

/** How a survey ended, or that it has not. */
export const SURVEY_STATES = ['waiting', 'running', 'paused', 'finished', 'stopped', 'failed'] as const;
export type SurveyState = (typeof SURVEY_STATES)[number];

/** What may have cut a survey short. */
export const CUT_REASONS = ['max-pages', 'max-depth', 'max-minutes', 'stopped', 'failed', 'spot'] as const;
export type CutReason = (typeof CUT_REASONS)[number];

/** The head of a survey. */
export interface SurveyInfo {
    start: string;
    state: SurveyState;
    /** Why it is partial; empty when it is complete. */
    cut: CutReason[];
    /** Further start pages. */
    starts?: string[];
}
