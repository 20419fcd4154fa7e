/** One or more problems of every code, with the sentence each was kept as before there were codes. */
import { problem, type Problem, type ProblemCode } from '../../src/lib/core/problems/problem.ts';

const HOST = 'www.site.example:8443';
const ROBOTS = 'https://www.site.example/robots.txt';
const rule = problem('robots-rule', { allows: false, pattern: '/a (b)*$', file: ROBOTS, line: 12 });
const toldOf = (say: string) => problem('told', { say });

type Samples = Partial<{ [C in ProblemCode]: readonly (readonly [Problem<C>['params'], string])[] }>;

/** Of one URL: why it gave no answer, or why what was received could not be read. */
export const FAILURES = {
    'private-address': [
        [
            { host: 'intern.example', address: '10.0.0.1' },
            "not asked: intern.example is the private address 10.0.0.1, which this site's settings do not allow",
        ],
        [
            { host: '10.0.0.1', address: '10.0.0.1' },
            "not asked: 10.0.0.1 is a private address, which this site's settings do not allow",
        ],
    ],
    'no-such-host': [[{ host: HOST }, `no such host: ${HOST}`]],
    refused: [[{ host: HOST }, `${HOST} refused the connection`]],
    unreachable: [[{ host: HOST }, `${HOST} cannot be reached from here`]],
    tls: [[{ host: HOST, cause: 'it: "so"' }, `TLS failed with ${HOST}: it: "so"`]],
    timeout: [[{ host: HOST }, `${HOST} did not answer in time`]],
    'broken-reply': [
        [
            { host: HOST, how: 'status' },
            `the answer of ${HOST} cannot be read: its status is no number of three digits`,
        ],
        [{ host: HOST, how: 'other' }, `the answer of ${HOST} cannot be read: it is not as HTTP has it`],
        [{ host: HOST, how: 'too-large' }, `the answer of ${HOST} cannot be read: its headers are larger than 16 KB`],
    ],
    lost: [[{ host: HOST, cause: 'read \\ ECONNRESET' }, `the connection to ${HOST} was lost: read \\ ECONNRESET`]],
    'closed-early': [[{ host: HOST }, `the connection to ${HOST} was lost: it was closed before the answer was whole`]],
    'body-late': [[{ bytes: 1_234_567 }, 'the body did not end in time; cut after 1,234,567 bytes']],
    'body-codings': [[{ codings: 6, most: 5 }, 'the body is packed 6 times over; 5 are unpacked at most']],
    'body-packing': [[{ bytes: 0 }, 'the packed body is broken after 0 bytes']],
    'body-length': [[{ bytes: 12 }, 'the body is not as long as its Content-Length says; it ended after 12 bytes']],
    'body-broken-off': [[{ bytes: 2_000 }, 'the body broke off after 2,000 bytes']],
    'body-too-long': [[{ limit: 5_000_000 }, 'the body is longer than 5,000,000 bytes; the rest was not read']],
    'document-slow': [[{ seconds: 30 }, 'the document took more than 30 seconds of computing to read']],
    'document-failed': [[{ cause: 'no memory\nat all' }, 'the document could not be read: no memory\nat all']],
    told: [[{ say: 'Maximum call stack size exceeded' }, 'Maximum call stack size exceeded']],
} as const satisfies Samples;

export const TYPE_NOTES = {
    'type-unsaid': [
        [{ begins: '' }, 'no content type was sent'],
        [{ begins: 'text/html' }, 'no content type was sent; the first bytes are text/html'],
    ],
    'type-says-nothing': [
        [{ sent: 'a"b', begins: '' }, 'the content type sent was "a"b"'],
        [{ sent: '*/*', begins: 'text/xml' }, 'the content type sent was "*/*"; the first bytes are text/xml'],
    ],
    'type-contradicted': [
        [{ sent: 'text/plain', begins: 'text/html' }, 'sent as text/plain, but begins as HTML'],
        [{ sent: 'text/html', begins: 'image/png' }, 'sent as text/html, but begins as image/png'],
    ],
} as const satisfies Samples;

export const NOINDEXES = {
    'noindex-meta': [[{ name: 'edgemap', says: 'none' }, 'meta edgemap says none']],
    'noindex-header': [[{ says: 'noindex' }, 'X-Robots-Tag says noindex']],
} as const satisfies Samples;

export const RULES = {
    'robots-rule': [
        [rule.params, `Disallow: /a (b)*$ (${ROBOTS}, line 12)`],
        [{ allows: true, pattern: '/', file: ROBOTS, line: 3 }, `Allow: / (${ROBOTS}, line 3)`],
    ],
    'robots-error': [[{ file: ROBOTS, status: 503 }, `${ROBOTS} answered 503`]],
    'robots-unanswered': [
        [
            { file: ROBOTS, why: toldOf(`${HOST} refused the connection`) },
            `${ROBOTS} cannot be had: ${HOST} refused the connection`,
        ],
    ],
} as const satisfies Samples;

/** Of files, where one is all that is told. */
export const FILE_NOTES = {
    'robots-read': [
        [{ rules: 1, token: 'edgemap', delay: null, isCut: false }, '1 rule for EdgeMap'],
        [
            { rules: 12, token: 'other', delay: 2.5, isCut: false },
            '12 rules for other; asks for 2.5 s between requests',
        ],
        [
            { rules: 0, token: 'edgemap', delay: 10, isCut: true },
            '0 rules for EdgeMap; asks for 10 s between requests; what lies beyond 500 KiB was not read',
        ],
        [
            { rules: 2, token: 'edgemap', delay: null, isCut: true },
            '2 rules for EdgeMap; what lies beyond 500 KiB was not read',
        ],
    ],
    'robots-none': [[{ status: 404 }, 'answered 404: no rules']],
    'robots-endless': [[{ status: 301 }, 'redirects without end; taken as no rules']],
    'all-closed': [
        [
            { why: toldOf(`${ROBOTS} answered 500`) },
            `${ROBOTS} answered 500; everything counts as closed until it can be had`,
        ],
    ],
    answered: [[{ status: 404 }, 'answered 404']],
    'sitemaps-left': [
        [{ left: 1_011, most: 2_000 }, 'not read, as one of 1,011 beyond the 2,000 that one survey reads'],
    ],
    'sitemap-elsewhere': [[{}, 'lies on a host that does not belong to the site; not read']],
    'sitemap-closed': [
        [
            { why: toldOf(`Disallow: /m (${ROBOTS}, line 1)`) },
            `closed by robots.txt; not read: Disallow: /m (${ROBOTS}, line 1)`,
        ],
    ],
    'gzip-broken': [[{}, 'the gzip file is broken: nothing of it can be unpacked']],
    'sitemap-index': [[{ files: 3 }, 'index of 3']],
    'sitemap-read': [
        [{ form: 'urlset', entries: 120 }, '120 addresses'],
        [{ form: 'text', entries: 2 }, '2 addresses in a plain list'],
        [{ form: 'feed', entries: 0 }, '0 addresses in a feed'],
        [{ form: 'unknown', entries: 0 }, 'not read'],
    ],
    told: [[{ say: `${HOST} is odd` }, `${HOST} is odd`]],
} as const satisfies Samples;

/** Of a list of evidence: how it was read. */
export const LIST_NOTES = {
    'list-cut': [[{ most: 2_000_000 }, 'Only the first 2,000,000 addresses were kept.']],
    'log-counted': [
        [
            { counted: 1_200, lines: 1_301, otherStatus: 99, otherMethod: 2 },
            '1,200 of 1,301 lines are GET answered with 200; 99 other statuses and 2 other methods are no evidence of a page.',
        ],
    ],
    'log-span': [
        [{ first: Date.UTC(2026, 1, 28), last: Date.UTC(2026, 2, 3, 23) }, 'It spans 2026-02-28 to 2026-03-03 (UTC).'],
    ],
    'log-unusable': [[{ targets: 1_004 }, '1,004 targets are no usable addresses.']],
} as const satisfies Samples;

/** Of a door check: its certificate, and what is odd about its start page. */
export const DOOR_NOTES = {
    certificate: [
        [{ fault: 'expired', said: 'CERT_HAS_EXPIRED' }, 'it has expired'],
        [{ fault: 'other', said: 'CERT_REVOKED' }, 'it is not accepted (CERT_REVOKED)'],
    ],
    'noindex-ignored': [[{ written: 'noindex, nofollow' }, 'A robots meta “noindex, nofollow”']],
    'refresh-later': [
        [{ to: 'https://a.example/' }, 'The start page sends visitors on to https://a.example/ after a while'],
    ],
} as const satisfies Samples;

/** Of files, and told as codes from the first: no version kept a sentence of them. */
export const LATER_FILE_NOTES = {
    'with-fragment': [[{ written: '/a#b' }, '"/a#b" names a place on a page; the page was read.']],
    'odd-values': [
        [{ tag: 'priority', written: '10', entries: 1 }, '"10" is no priority of the protocol.'],
        [
            { tag: 'changefreq', written: 'often', entries: 1200 },
            '"often" is no changefreq of the protocol, and so it is in 1,200 entries.',
        ],
    ],
    'robots-redirected': [[{ from: 'https://a.example/robots.txt' }, 'https://a.example/robots.txt redirects here']],
} as const satisfies Samples;

/** What is wrong with the markup of a page: behind its name. */
export const MARKUP_NOTES = {
    'agent-directives': [
        [{ agent: 'otherbot', says: 'noindex' }, 'says “noindex” to otherbot'],
        [{ agent: '*', says: '' }, 'says nothing to all agents it does not name'],
    ],
    titles: [[{ titles: 2 }, 'has 2 title elements']],
    h1s: [[{ h1s: 3 }, 'has 3 h1 elements']],
    'head-closed': [
        [
            { tag: 'div', lost: 'link' },
            'a div element ends its head early: the link behind it stands in the body, where it does not count',
        ],
    ],
    'robots-in-body': [[{ says: 'noindex' }, 'says “noindex” in a robots meta in the body, where it does not count']],
    'canonical-in-body': [[{ written: '/a' }, 'names its canonical /a in the body, where it does not count']],
    'canonical-unreadable': [
        [{ written: 'file:///a' }, 'names its canonical as “file:///a”, which is no address on the web'],
    ],
    'canonical-fragment': [[{ written: '/a#b' }, 'names its canonical with a fragment, as /a#b']],
    'directive-unknown': [[{ token: 'no-index' }, 'says “no-index” to robots, which no standard knows']],
    'data-broken': [[{ cause: 'Unexpected token' }, 'holds structured data that cannot be read: Unexpected token']],
    'data-untyped': [[{}, 'holds structured data that does not say what it describes: it has no @type']],
} as const satisfies Samples;

/** Why a survey got a further revision. */
export const REVISIONS = {
    'before-reading-on': [[{}, 'before it was gone on with']],
    'before-list': [[{ name: 'Jörg\'s "list".csv' }, 'before evidence was added: Jörg\'s "list".csv']],
    'before-decision': [
        [{ of: 'a.example/cal/{n}/ was', state: 'open' }, 'before a.example/cal/{n}/ was was opened'],
        [{ of: 'https://a.example/buy?x="1"', state: 'closed' }, 'before https://a.example/buy?x="1" was closed'],
    ],
} as const satisfies Samples;

/** The problems of a table of samples, each with its sentence. */
export function samplesOf(samples: Samples): { problem: Problem; say: string }[] {
    return Object.entries(samples).flatMap(([code, list]) =>
        list.map(([params, say]) => ({ problem: { code, params } as unknown as Problem, say })),
    );
}
