/** The words of problems, in English: every code has its own, which the type holds complete. */
import {
    known,
    readProblem,
    type AnyProblem,
    type BrokenHead,
    type CertificateFault,
    type Problem,
    type ProblemCode,
    type ProblemParams,
    type ProblemText,
} from '../problems/problem.ts';
import { quoteRule } from '../robots/decide.ts';
import { counted, megabytes, number } from './numbers.ts';

const BROKEN_HEADS: Record<BrokenHead, string> = {
    'content-length': 'its Content-Length is no number',
    header: 'a header holds a character that may not stand there',
    status: 'its status is no number of three digits',
    version: 'its version of HTTP is none that is known',
    start: 'it does not begin as an answer over HTTP does',
    'line-end': 'its lines do not end as they must',
    chunk: 'the pieces of its body are not marked as they must be',
    'too-large': 'its headers are larger than 16 KB',
    'status-below-100': 'its status is none of HTTP, which begin at 100',
    contradiction:
        'its headers contradict each other about the length of the body, or hold a character that may not stand there',
    other: 'it is not as HTTP has it',
};

const CERTIFICATES: Record<Exclude<CertificateFault, 'other'>, string> = {
    'self-signed': 'it is signed by itself, not by an authority',
    'self-signed-chain': 'its chain ends in a certificate that no known authority signed',
    'chain-incomplete': 'the certificates between it and a known authority are missing',
    'unknown-authority': 'no known authority signed it',
    expired: 'it has expired',
    'not-yet-valid': 'it is not valid yet',
    'other-name': 'it is made out to another name',
};

/** What our agent is called, by its product token. */
export const agentWords = (token: string): string => (token === 'edgemap' ? 'EdgeMap' : token);
const within = (why: AnyProblem): string => {
    const problem = known(why);
    return problem === null ? String(why.code) : problemWords(problem);
};

/** A rule of robots.txt as it is written. */
export const ruleWords = ({ allows, pattern }: { allows: boolean; pattern: string }): string =>
    quoteRule({ allow: allows, pattern });

const day = (at: number): string => new Date(at).toISOString().slice(0, 10);
const startWords = ({ url, isFirst }: { url: string; isFirst: boolean }): string =>
    isFirst ? `The start page ${url}` : `The start page leads to ${url}, which`;
const keptSentence = (kept: number): string => `${counted(kept, 'page is', 'pages are')} kept.`;

/** What is full and what to do. @param isFull hardly anything is left; else what was refused may have been larger */
export function fullDiskSentences(isFull: boolean, free: number): string {
    return `The disk with the data folder ${isFull ? 'is full' : 'has no room for this'}: ${megabytes(free)} free. Free some space, then go on.`;
}

/** Parts of a sentence without a full stop, but for the troubles of sitemaps and of surveys, which are whole sentences. */
const PROBLEMS: { [C in ProblemCode]: (params: ProblemParams[C], line: number) => string } = {
    told: ({ say }) => say,

    'private-address': ({ host, address }) =>
        `not asked: ${host} is ${address === host ? 'a private address' : `the private address ${address}`}, which this site's settings do not allow`,
    'no-such-host': ({ host }) => `no such host: ${host}`,
    refused: ({ host }) => `${host} refused the connection`,
    unreachable: ({ host }) => `${host} cannot be reached from here`,
    tls: ({ host, cause }) => `TLS failed with ${host}: ${cause}`,
    timeout: ({ host }) => `${host} did not answer in time`,
    'broken-reply': ({ host, how }) => `the answer of ${host} cannot be read: ${BROKEN_HEADS[how]}`,
    lost: ({ host, cause }) => `the connection to ${host} was lost: ${cause}`,
    'closed-early': ({ host }) => `the connection to ${host} was lost: it was closed before the answer was whole`,
    stopped: () => 'stopped',

    'body-late': ({ bytes }) => `the body did not end in time; cut after ${number(bytes)} bytes`,
    'body-codings': ({ codings, most }) => `the body is packed ${codings} times over; ${most} are unpacked at most`,
    'body-packing': ({ bytes }) => `the packed body is broken after ${number(bytes)} bytes`,
    'body-length': ({ bytes }) =>
        `the body is not as long as its Content-Length says; it ended after ${number(bytes)} bytes`,
    'body-broken-off': ({ bytes }) => `the body broke off after ${number(bytes)} bytes`,
    'body-too-long': ({ limit }) => `the body is longer than ${number(limit)} bytes; the rest was not read`,

    'document-slow': ({ seconds }) => `the document took more than ${seconds} seconds of computing to read`,
    'document-failed': ({ cause }) => `the document could not be read: ${cause}`,

    'type-unsaid': ({ begins }) =>
        begins === '' ? 'no content type was sent' : `no content type was sent; the first bytes are ${begins}`,
    'type-says-nothing': ({ sent, begins }) =>
        `the content type sent was "${sent}"${begins === '' ? '' : `; the first bytes are ${begins}`}`,
    'type-contradicted': ({ sent, begins }) =>
        `sent as ${sent}, but begins as ${begins === 'text/html' ? 'HTML' : begins}`,

    'noindex-meta': ({ name, says }) => `meta ${name} says ${says}`,
    'noindex-header': ({ says }) => `X-Robots-Tag says ${says}`,

    'robots-rule': (rule) => `${ruleWords(rule)} (${rule.file}, line ${rule.line})`,
    'robots-error': ({ file, status }) => `${file} answered ${status}`,
    'robots-unanswered': ({ file, why }) => `${file} cannot be had: ${within(why)}`,

    'redirect-unusable': ({ written }) =>
        written === ''
            ? 'it redirects without a usable Location'
            : `it redirects to “${written}”, which is no usable address`,
    'redirect-circle': ({ to }) => `it redirects in a circle, back to ${to}`,
    'redirects-on': ({ most }) => `it redirects more than ${most} times`,
    'leads-to-closed': ({ to, why }) => `it leads to ${to}, which robots.txt closes (${within(why)})`,
    'leads-elsewhere': ({ to }) => `it leads to ${to}, which does not belong to the site`,

    'start-circle': () => 'The start page redirects in a circle.',
    'start-closed': ({ url, token, rule }) =>
        `robots.txt closes ${url} for ${agentWords(token)}: ${rule === null ? 'no rule is known' : within(rule)}. If this is your own site, survey it with robots set to "record".`,
    'start-left': (start) =>
        `${startWords(start)} looks like an action or belongs to a family that is closed, so it was not asked for. Open it in the settings.`,
    'start-unanswered': ({ why, ...start }) =>
        `${startWords(start)} could not be read: ${within(why)}. Check the address; a staging copy may need a pin.`,
    'start-elsewhere': ({ to, ...start }) =>
        `${startWords(start)} redirects to ${to}, which does not belong to this site. Survey ${to} instead, if that is the site you mean.`,
    'start-status': ({ status, ...start }) =>
        `${startWords(start)} answered ${status}. ${status === 401 ? 'It asks for a sign-in: give one under "As whom?".' : 'Check the address, or start at another page of the site.'}`,
    'start-type': ({ type, ...start }) =>
        `${startWords(start)} is ${type === '' ? 'of no known type' : type}, not HTML: there are no links to follow. Start at a page.`,
    'start-unreadable': ({ why, ...start }) => `${startWords(start)} could not be read: ${within(why)}.`,
    'secrets-unread': () =>
        'The headers, cookies or sign-in kept for this survey cannot be opened with the key of this data folder. Type them again in a new survey.',
    'disk-full': ({ isFull, free, kept }) => `${fullDiskSentences(isFull, free)} ${keptSentence(kept)}`,
    'database-away': ({ cause, kept }) =>
        `The database could not be reached (${cause}). Go on when it is back. ${keptSentence(kept)}`,
    'run-failed': ({ cause, kept }) =>
        `It could not go on: ${cause}. Go on to try again; the log of the worker says more. ${keptSentence(kept)}`,
    'proposals-failed': ({ cause }) =>
        `Looking for proposals could not go on: ${cause}. Look again to begin anew; the log of the worker says more.`,
    'proposals-no-words': () =>
        'The words of this survey are not known: they are gathered when a survey ends, and were not kept of earlier revisions.',

    'not-of-the-site': () => 'does not belong to the site',
    'no-location': ({ status }) => `status ${status} without a usable Location`,
    status: ({ status }) => `status ${status}`,
    redirects: ({ status, to }) => `${status} to ${to}`,
    refreshes: ({ to }) => `refresh without delay to ${to}`,
    type: ({ type }) => (type === '' ? 'no content type' : type),
    'canonical-elsewhere': ({ to }) => `points at ${to}`,

    'robots-read': ({ rules, token, delay, isCut }) =>
        [
            `${counted(rules, 'rule')} for ${agentWords(token)}`,
            ...(delay === null ? [] : [`asks for ${delay} s between requests`]),
            ...(isCut ? ['what lies beyond 500 KiB was not read'] : []),
        ].join('; '),
    'robots-redirected': ({ from }) => `${from} redirects here`,
    'robots-none': ({ status }) => `answered ${status}: no rules`,
    'robots-endless': () => 'redirects without end; taken as no rules',
    'all-closed': ({ why }) => `${within(why)}; everything counts as closed until it can be had`,

    'sitemap-read': ({ form, entries }) =>
        form === 'unknown'
            ? 'not read'
            : `${counted(entries, 'address', 'addresses')}${form === 'text' ? ' in a plain list' : form === 'feed' ? ' in a feed' : ''}`,
    'sitemap-index': ({ files }) => `index of ${files}`,
    'sitemap-redirects': ({ to }) => `redirects to ${to}`,
    'sitemap-elsewhere': () => 'lies on a host that does not belong to the site; not read',
    'sitemap-closed': ({ why }) => `closed by robots.txt; not read: ${within(why)}`,
    'sitemaps-left': ({ left, most }) =>
        `not read, as one of ${number(left)} beyond the ${number(most)} that one survey reads`,
    answered: ({ status }) => `answered ${status}`,
    'gzip-broken': () => 'the gzip file is broken: nothing of it can be unpacked',

    empty: ({ what }) =>
        what === 'file'
            ? 'The file is empty.'
            : what === 'feed'
              ? 'The feed lists no address.'
              : 'The file lists no address.',
    html: () => 'The file is an HTML page, not a sitemap.',
    'not-xml': ({ cause, isReadOn }, line) =>
        `The XML is broken at line ${line}: ${cause.replace(/\.$/, '')}. ${isReadOn ? 'What can be read before and behind it was read.' : 'What stood before it was read.'}`,
    'not-a-sitemap': ({ tag }) => `The file starts with <${tag}>, not <urlset> or <sitemapindex>.`,
    namespace: ({ found, due }) => `The namespace is "${found}", not "${due}".`,
    doctype: () => 'The file has a DOCTYPE; what it declares was not read.',
    encoding: ({ encoding }) => `The file is ${encoding}; the protocol wants UTF-8.`,
    'broken-text': (_, line) =>
        `Bytes that are no UTF-8 stand at line ${line}; an address with them is not the one that was meant.`,
    cut: (how) =>
        how.of === 'size'
            ? 'The file is larger than 50 MiB unpacked; the rest was not read.'
            : how.of === 'gzip'
              ? 'The gzip file ends too early or is damaged; what could be unpacked was read.'
              : `The file did not arrive whole: ${within(how.why)}.`,
    'bare-ampersand': ({ text }) => `An "&" must be written "&amp;" in XML: "${text}".`,
    'bad-address': ({ written, isHttp }) =>
        `"${written}" is no ${isHttp ? 'usable address' : 'address with http or https'}.`,
    relative: ({ written, readAs }) => `"${written}" is no whole address; it was read as ${readAs}.`,
    blank: ({ written }) => `"${written}" holds a blank, which must be written %20.`,
    'two-locs': ({ locs }) => `An entry has ${locs} addresses where one is due; the first was read.`,
    'no-loc': ({ of }) => (of === 'feed' ? 'An entry of the feed has no link.' : 'An entry has no address (no <loc>).'),
    nested: ({ by, most, isFollowed }) =>
        `It is an index that another index names (${by}), which the protocol does not allow; ${isFollowed ? 'its files were read all the same' : `${most} within one another are followed, so its files were not read`}.`,
    loop: ({ to }, line) => `Line ${line} leads back to ${to}.`,
    'too-many': () => 'The file lists more than 50,000 addresses; the rest was not read.',
    'too-long': () => 'An address has 2,048 characters or more.',
    'with-fragment': ({ written }) => `"${written}" names a place on a page; the page was read.`,
    'odd-values': ({ tag, written, entries }) =>
        `"${written}" is no ${tag} of the protocol${entries === 1 ? '' : `, and so it is in ${number(entries)} entries`}.`,

    certificate: ({ fault, said }) => (fault === 'other' ? `it is not accepted (${said})` : CERTIFICATES[fault]),
    'noindex-ignored': ({ written }) => `A robots meta “${written}”`,
    'refresh-later': ({ to }) => `The start page sends visitors on to ${to} after a while`,

    titles: ({ titles }) => `has ${number(titles)} title elements`,
    h1s: ({ h1s }) => `has ${number(h1s)} h1 elements`,
    'head-closed': ({ tag, lost }) =>
        `a ${tag} element ends its head early: the ${lost} behind it stands in the body, where it does not count`,
    'agent-directives': ({ agent, says }) =>
        `says ${says === '' ? 'nothing' : `“${says}”`} to ${agent === '*' ? 'all agents it does not name' : agent}`,
    'robots-in-body': ({ says }) => `says “${says}” in a robots meta in the body, where it does not count`,
    'canonical-in-body': ({ written }) => `names its canonical ${written} in the body, where it does not count`,
    'canonical-unreadable': ({ written }) => `names its canonical as “${written}”, which is no address on the web`,
    'canonical-fragment': ({ written }) => `names its canonical with a fragment, as ${written}`,
    'directive-unknown': ({ token }) => `says “${token}” to robots, which no standard knows`,
    'data-broken': ({ cause }) => `holds structured data that cannot be read: ${cause}`,
    'data-untyped': () => 'holds structured data that does not say what it describes: it has no @type',

    'list-cut': ({ most }) => `Only the first ${number(most)} addresses were kept.`,
    'log-counted': ({ counted: lines, lines: all, otherStatus, otherMethod }) =>
        `${number(lines)} of ${number(all)} lines are GET answered with 200; ${number(otherStatus)} other statuses and ${number(otherMethod)} other methods are no evidence of a page.`,
    'log-span': ({ first, last }) => `It spans ${day(first)} to ${day(last)} (UTC).`,
    'log-unusable': ({ targets }) => `${number(targets)} targets are no usable addresses.`,

    'before-reading-on': () => 'before it was gone on with',
    'before-list': ({ name }) => `before evidence was added: ${name}`,
    'before-decision': ({ of, state }) => `before ${of} was ${state === 'open' ? 'opened' : 'closed'}`,
};

/** Those whose words name their line themselves. */
const WITH_LINE: ReadonlySet<ProblemCode> = new Set(['not-xml', 'broken-text', 'loop']);

/** A problem in words, without the line it stands on unless they cannot do without. */
export function problemWords({ code, params, line = 0 }: Problem): string {
    return (PROBLEMS[code] as (params: unknown, line: number) => string)(params, line);
}

/** The same; empty for none. */
export const problemWordsOrNone = (problem: Problem | null): string => (problem === null ? '' : problemWords(problem));

/** A problem in words, its line before it. */
export function placedWords(problem: Problem, label: 'Line' | 'line' = 'Line'): string {
    const { line = 0, code } = problem;
    return line > 0 && !WITH_LINE.has(code) ? `${label} ${line}: ${problemWords(problem)}` : problemWords(problem);
}

/** A stored problem in words; empty for none. */
export function storedWords(text: ProblemText | string): string {
    return problemWordsOrNone(readProblem(text));
}

/** What is told of a file: what it is, then what is wrong with it, sentence by sentence. */
export function noteWords(problems: readonly Problem[]): string {
    return problems.map((item) => placedWords(item).replace(/\.$/, '')).join('. ');
}
