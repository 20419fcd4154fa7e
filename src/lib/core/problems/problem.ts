/**
 * What went wrong with a URL or a file, what is odd about it, why it stops where it stops, and what is to be said of a
 * list or a revision: a code with its parameters, from where it is met to the database and the packed survey. Sentences are made of it at the edge
 * (`core/words/problems.ts`); nothing branches on a sentence, and nothing is read back out of one.
 */

/** Why the head of an answer cannot be read (RFC 9112). */
export type BrokenHead =
    | 'content-length'
    | 'header'
    | 'status'
    | 'version'
    | 'start'
    | 'line-end'
    | 'chunk'
    | 'too-large'
    | 'status-below-100'
    | 'contradiction'
    | 'other';

/** Why a certificate is not taken. */
export type CertificateFault =
    | 'self-signed'
    | 'self-signed-chain'
    | 'chain-incomplete'
    | 'unknown-authority'
    | 'expired'
    | 'not-yet-valid'
    | 'other-name'
    | 'other';

type None = Record<string, never>;

export interface ProblemParams {
    /** A sentence of a version that kept sentences, where no code stands for it. */
    told: { say: string };

    // Asked for, and no answer
    /** Not asked: its address is private, and the settings do not allow that. */
    'private-address': { host: string; address: string };
    'no-such-host': { host: string };
    refused: { host: string };
    unreachable: { host: string };
    tls: { host: string; cause: string };
    timeout: { host: string };
    'broken-reply': { host: string; how: BrokenHead };
    lost: { host: string; cause: string };
    'closed-early': { host: string };
    stopped: None;

    // Answered, and the body is not whole; `bytes` had arrived
    'body-late': { bytes: number };
    'body-codings': { codings: number; most: number };
    'body-packing': { bytes: number };
    'body-length': { bytes: number };
    'body-broken-off': { bytes: number };
    'body-too-long': { limit: number };

    // Received, and the document was given up
    'document-slow': { seconds: number };
    'document-failed': { cause: string };

    // The content type is not as it should be; `begins` is what the first bytes show, empty for nothing
    'type-unsaid': { begins: string };
    'type-says-nothing': { sent: string; begins: string };
    'type-contradicted': { sent: string; begins: string };

    // What says noindex: a meta by its name, or a header
    'noindex-meta': { name: string; says: string };
    'noindex-header': { says: string };

    // robots.txt
    /** The rule that decides. */
    'robots-rule': { allows: boolean; pattern: string; file: string; line: number };
    /** Everything is closed, because the file cannot be had (RFC 9309 2.3.1.4). */
    'robots-error': { file: string; status: number };
    'robots-unanswered': { file: string; why: AnyProblem };

    // Ways that lead nowhere
    'redirect-unusable': { written: string };
    'redirect-circle': { to: string };
    'redirects-on': { most: number };
    'leads-to-closed': { to: string; why: AnyProblem };
    'leads-elsewhere': { to: string };

    // A survey that cannot begin: `isFirst` for the page that was typed in, else what that leads to
    'start-circle': None;
    'start-closed': { url: string; isFirst: boolean; token: string; rule: AnyProblem | null };
    'start-left': { url: string; isFirst: boolean };
    'start-unanswered': { url: string; isFirst: boolean; why: AnyProblem };
    'start-elsewhere': { url: string; isFirst: boolean; to: string };
    'start-status': { url: string; isFirst: boolean; status: number };
    'start-type': { url: string; isFirst: boolean; type: string };
    'start-unreadable': { url: string; isFirst: boolean; why: AnyProblem };
    // … or cannot go on; `kept` pages are
    'secrets-unread': None;
    'disk-full': { isFull: boolean; free: number; kept: number };
    'database-away': { cause: string; kept: number };
    'run-failed': { cause: string; kept: number };
    // Why proposals for a set could not be looked for
    'proposals-failed': { cause: string };
    'proposals-no-words': None;

    // Gates
    'not-of-the-site': None;
    'no-location': { status: number };
    status: { status: number };
    redirects: { status: number; to: string };
    refreshes: { to: string };
    type: { type: string };
    'canonical-elsewhere': { to: string };

    // Files: what was found of a robots.txt
    'robots-read': { rules: number; token: string; delay: number | null; isCut: boolean };
    /** It was asked for at another address, which leads here. */
    'robots-redirected': { from: string };
    'robots-none': { status: number };
    'robots-endless': { status: number };
    'all-closed': { why: AnyProblem };

    // Files: what was found of a sitemap
    'sitemap-read': { form: 'urlset' | 'text' | 'feed' | 'unknown'; entries: number };
    'sitemap-index': { files: number };
    'sitemap-redirects': { to: string };
    'sitemap-elsewhere': None;
    'sitemap-closed': { why: AnyProblem };
    /** Stands for all those beyond what one survey reads. */
    'sitemaps-left': { left: number; most: number };
    answered: { status: number };
    'gzip-broken': None;
    // … and what is wrong with it
    empty: { what: 'file' | 'list' | 'feed' };
    html: None;
    'not-xml': { cause: string; isReadOn: boolean };
    'not-a-sitemap': { tag: string };
    namespace: { found: string; due: string };
    doctype: None;
    encoding: { encoding: string };
    'broken-text': None;
    /** `of`: what was cut, and where: at the protocol's size, within the gzip file, on its way here. */
    cut: { of: 'size' } | { of: 'gzip' } | { of: 'way'; why: AnyProblem };
    'bare-ampersand': { text: string };
    'bad-address': { written: string; isHttp: boolean };
    relative: { written: string; readAs: string };
    blank: { written: string };
    'two-locs': { locs: number };
    'no-loc': { of: 'sitemap' | 'feed' };
    nested: { by: string; most: number; isFollowed: boolean };
    loop: { to: string };
    'too-many': None;
    'too-long': None;
    'with-fragment': { written: string };
    /** Values of an element that the protocol does not take: the first, and how many entries have one. */
    'odd-values': { tag: 'changefreq' | 'priority'; written: string; entries: number };

    // A door check: what is wrong with a certificate (`said`: the code where it is none of these), and odd things of a page
    certificate: { fault: CertificateFault; said: string };
    'noindex-ignored': { written: string };
    'refresh-later': { to: string };

    // What is wrong with the markup of a document
    titles: { titles: number };
    h1s: { h1s: number };
    /** Something that belongs into the body ended the head; `lost`: the first element that landed behind it. */
    'head-closed': { tag: string; lost: string };
    /** What a page says to an agent by its name, or to all others (`*`); no fault. */
    'agent-directives': { agent: string; says: string };
    'robots-in-body': { says: string };
    'canonical-in-body': { written: string };
    'canonical-unreadable': { written: string };
    'canonical-fragment': { written: string };
    'directive-unknown': { token: string };
    'data-broken': { cause: string };
    'data-untyped': None;

    // Lists of evidence: how one was read
    'list-cut': { most: number };
    /** Lines of an access log that count, of all, and what the others are. */
    'log-counted': { counted: number; lines: number; otherStatus: number; otherMethod: number };
    /** UTC, milliseconds since 1970. */
    'log-span': { first: number; last: number };
    'log-unusable': { targets: number };

    // Why a survey got a further revision
    'before-reading-on': None;
    'before-list': { name: string };
    /** `of`: the pattern of a family, or the URL of an action. */
    'before-decision': { of: string; state: 'open' | 'closed' };
}

export type ProblemCode = keyof ProblemParams;

/** A code, what its sentence needs, and the line it stands on where it has one. */
export type Problem<C extends ProblemCode = ProblemCode> = {
    [K in C]: { code: K; params: ProblemParams[K]; line?: number };
}[C];

/** A problem within another. Its type is the loose one, so that none holds itself; `readProblem` gives it its own. */
export interface AnyProblem {
    code: string;
    params: object;
}

/** A problem as rows and packed surveys keep it: JSON, empty for none. What is not of that form is read as `told`. */
export type ProblemText = '' | (string & { readonly isProblem: true });

/** Characters kept of a text within a problem, control characters folded: columns are bounded. */
const LONGEST = 250;

/** @param line where it stands, from 1; 0 for nowhere in particular */
export function problem<C extends ProblemCode>(code: C, params: ProblemParams[C], line = 0): Problem<C> {
    // That the pair belongs together is lost in the union.
    return { code, params, ...(line > 0 ? { line } : {}) } as unknown as Problem<C>;
}

/** Writes it as rows keep it: at most 1,000 characters for one with no more than two long texts. */
export function writeProblem(problem: Problem | null, longest = LONGEST): ProblemText {
    if (problem === null) return '';
    const bounded = (_: string, value: unknown): unknown =>
        // Control characters would be written six characters long, and say nothing.
        typeof value === 'string' ? value.replace(/[\u0000-\u001f\u007f]/g, ' ').slice(0, longest) : value;
    return JSON.stringify(problem, bounded) as ProblemText;
}

/** What a column of the database holds; nothing is taken on trust, for `readProblem` reads whatever stands there. */
export const problemText = (stored: string): ProblemText => stored as ProblemText;

/**
 * Reads what `writeProblem` wrote; null for none. A sentence (earlier versions kept those) and the code of a later
 * version become `told`.
 */
export function readProblem(text: string): Problem | null {
    if (text === '') return null;
    if (!text.startsWith('{')) return problem('told', { say: text });
    try {
        return known(JSON.parse(text)) ?? problem('told', { say: text });
    } catch {
        return problem('told', { say: text });
    }
}

/** Reads a list of them, one in a line. */
export function readProblems(text: string): Problem[] {
    return text
        .split('\n')
        .map(readProblem)
        .filter((item) => item !== null);
}

export function writeProblems(problems: readonly Problem[], longest = LONGEST): ProblemText {
    return problems.map((item) => writeProblem(item, longest)).join('\n') as ProblemText;
}

/** A problem within another as what it is; null for a code that is none of ours. */
export function known(value: unknown): Problem | null {
    if (typeof value !== 'object' || value === null || !('code' in value) || !('params' in value)) return null;
    const { code, params } = value;
    if (typeof code !== 'string' || typeof params !== 'object' || params === null) return null;
    return Object.hasOwn(CODES, code) ? (value as Problem) : null;
}

/** Every code, so that what is read can be told from what is not ours. */
const CODES: Record<ProblemCode, true> = {
    told: true,
    'private-address': true,
    'no-such-host': true,
    refused: true,
    unreachable: true,
    tls: true,
    timeout: true,
    'broken-reply': true,
    lost: true,
    'closed-early': true,
    stopped: true,
    'body-late': true,
    'body-codings': true,
    'body-packing': true,
    'body-length': true,
    'body-broken-off': true,
    'body-too-long': true,
    'document-slow': true,
    'document-failed': true,
    'type-unsaid': true,
    'type-says-nothing': true,
    'type-contradicted': true,
    'noindex-meta': true,
    'noindex-header': true,
    'robots-rule': true,
    'robots-error': true,
    'robots-unanswered': true,
    'redirect-unusable': true,
    'redirect-circle': true,
    'redirects-on': true,
    'leads-to-closed': true,
    'leads-elsewhere': true,
    'start-circle': true,
    'start-closed': true,
    'start-left': true,
    'start-unanswered': true,
    'start-elsewhere': true,
    'start-status': true,
    'start-type': true,
    'start-unreadable': true,
    'secrets-unread': true,
    'disk-full': true,
    'database-away': true,
    'run-failed': true,
    'proposals-failed': true,
    'proposals-no-words': true,
    'not-of-the-site': true,
    'no-location': true,
    status: true,
    redirects: true,
    refreshes: true,
    type: true,
    'canonical-elsewhere': true,
    'robots-read': true,
    'robots-redirected': true,
    'robots-none': true,
    'robots-endless': true,
    'all-closed': true,
    'sitemap-read': true,
    'sitemap-index': true,
    'sitemap-redirects': true,
    'sitemap-elsewhere': true,
    'sitemap-closed': true,
    'sitemaps-left': true,
    answered: true,
    'gzip-broken': true,
    empty: true,
    html: true,
    'not-xml': true,
    'not-a-sitemap': true,
    namespace: true,
    doctype: true,
    encoding: true,
    'broken-text': true,
    cut: true,
    'bare-ampersand': true,
    'bad-address': true,
    relative: true,
    blank: true,
    'two-locs': true,
    'no-loc': true,
    nested: true,
    loop: true,
    'too-many': true,
    'too-long': true,
    'with-fragment': true,
    'odd-values': true,
    certificate: true,
    'noindex-ignored': true,
    'refresh-later': true,
    titles: true,
    h1s: true,
    'head-closed': true,
    'agent-directives': true,
    'robots-in-body': true,
    'canonical-in-body': true,
    'canonical-unreadable': true,
    'canonical-fragment': true,
    'directive-unknown': true,
    'data-broken': true,
    'data-untyped': true,
    'list-cut': true,
    'log-counted': true,
    'log-span': true,
    'log-unusable': true,
    'before-reading-on': true,
    'before-list': true,
    'before-decision': true,
};
