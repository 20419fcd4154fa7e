/** What a door check says: what shuts the door and what would open it, what is odd, and the sentence on top. */
import { hostOf, originOf } from '../address/address.ts';
import type {
    Bolt,
    BoltKind,
    DifferenceKind,
    DoorDifference,
    DoorFacts,
    DoorReport,
    DoorStep,
    DoorVerdict,
    RemarkCode,
    SourceMark,
} from '../door/door-report.ts';
import { mayBeIndexed, variantLandings } from '../door/judge-door.ts';
import { readProblems } from '../problems/problem.ts';
import { agentWords, noteWords, storedWords } from './problems.ts';

export interface BoltWords {
    /** What it is, in words fit to stand after "shut by": "robots.txt". */
    by: string;
    /** What shuts it, a sentence. */
    say: string;
    /** Where that stands: file and line, tag, header, answer. */
    where: string;
    /** What would open it, a sentence. */
    opens: string;
}

const STATUS_HELP: Record<number, string> = {
    403: 'Let the agent in where the server or what stands before it refuses it, or give a sign-in.',
    404: 'Check the address; the start page may have moved.',
    410: 'Check the address; the server says this page is gone for good.',
    429: 'Ask for less at a time, or have the limit lifted for this agent.',
    503: 'Wait until the site is back, or end the maintenance mode.',
};

const atLine = (line: number): string => (line > 0 ? `, line ${line}` : '');

function markWords(mark: SourceMark): string {
    switch (mark.in) {
        case 'meta':
            return `<meta name="${mark.name}" content="${mark.content}">${atLine(mark.line)}`;
        case 'canonical':
            return `<link rel="canonical">${atLine(mark.line)}`;
        case 'refresh':
            return `<meta http-equiv="refresh">${atLine(mark.line)}`;
        case 'header':
            return `header ${mark.name}${mark.value === '' ? '' : `: ${mark.value}`}`;
        case 'page':
            return mark.url;
        case 'told':
            return mark.say;
    }
}

/** Where a thing is said: tags with their lines, headers. */
export const whereWords = (where: readonly SourceMark[]): string =>
    where.map(markWords).join('; and ') || 'head of the page';

export const DOOR_STEPS: Record<DoorStep, string> = {
    robots: 'reading robots.txt',
    start: 'asking for the start page',
    'other-agent': 'asking for it as another agent',
    variants: 'trying the other ways to write the host',
    sitemaps: 'reading sitemaps',
    samples: 'trying pages behind the start page',
};

/** What a difference is called, what stands for nothing, and how what is kept becomes words. */
const DIFFERENCES: Record<DifferenceKind, [name: string, nothing: string, say: (kept: string) => string]> = {
    status: ['status', 'no answer', storedWords],
    landing: ['lands at', '', String],
    noindex: ['noindex', 'none', storedWords],
    canonical: ['canonical', 'itself or none', String],
    title: ['title', '', String],
    words: ['words', '', String],
    links: ['links', '', String],
};

export interface ToldDifference {
    url: string;
    what: string;
    ours: string;
    other: string;
}

export function toldDifference({ url, what, ours, other }: DoorDifference): ToldDifference {
    const [name, nothing, say] = DIFFERENCES[what];
    return { url, what: name, ours: say(ours) || nothing, other: say(other) || nothing };
}

/** What was found of robots.txt, as a sentence part. */
export const robotsNote = ({ note }: DoorFacts['robots']): string => noteWords(readProblems(note));

/** The last URL that was asked for on the way from the start page. */
const askedLast = ({ start }: DoorFacts): string => start.hops.at(-1)?.url ?? start.url;
const statusLine = (facts: DoorFacts): string => `status line of ${askedLast(facts)}`;

/** Another way to write the host, that does answer. */
function besides({ variants, start }: DoorFacts): string {
    const other = variants.find(({ lands, origin }) => lands !== '' && origin !== originOf(start.url));
    return other ? ` ${other.origin} does answer.` : '';
}

const BOLTS: Record<BoltKind, (facts: DoorFacts) => BoltWords> = {
    robots: ({ robots, token, url }) => {
        if (robots.closes === 'unreachable') {
            return {
                by: 'a robots.txt that cannot be had',
                say: `robots.txt cannot be had (${robotsNote(robots)}), so everything counts as closed.`,
                where: robots.url,
                opens: 'Let robots.txt answer 200 with its rules, or 404 if there are none.',
            };
        }
        const agent = agentWords(token);
        const what = robots.closes === 'site' ? 'the whole site' : `the start page ${url}`;
        const group = robots.group === '*' ? 'in the group for every agent' : `in the group for ${agent}`;
        return {
            by: 'robots.txt',
            say: `“${robots.rule}” closes ${what} for ${agent}.`,
            where: `${robots.url}, line ${robots.line}, ${group}`,
            opens: `Take line ${robots.line} out of robots.txt, or add a group for ${agent} that allows it. To survey a site of your own as it is, set robots to "record".`,
        };
    },
    elsewhere: (facts) => {
        const { status = null, to = '', by = '' } = facts.start.hops.at(-1) ?? {};
        const asked = askedLast(facts);
        const way = by === 'refresh' ? 'refresh' : 'redirect';
        return {
            by: `a ${way} to another host`,
            say: `${asked} leads to ${to}, which does not belong to this site.`,
            where: by === 'refresh' ? `refresh on ${asked}` : `Location header of ${asked}, status ${status}`,
            opens: `Survey ${to} if that is the site you mean; else take the ${way} away.`,
        };
    },
    agent: ({ start, token, agent, otherAgent }) => {
        const ours = agentWords(token);
        const seen = start.status === null ? storedWords(start.failure) : `answered ${start.status}`;
        return {
            by: 'the agent name',
            say: `The server turns ${ours} away (${seen}) and answers “${otherAgent}” with 200.`,
            where: `answer to User-Agent: ${agent}`,
            opens: `Let ${ours} in where the server, or what stands before it, tells agents apart.`,
        };
    },
    redirects: (facts) => ({
        by: 'its own redirects',
        say: `The start page is never reached: ${storedWords(facts.start.failure)}.`,
        where: `Location header of ${askedLast(facts)}`,
        opens: 'Let the redirects end at a page that answers 200.',
    }),
    tls: (facts) => ({
        by: 'TLS',
        say: `No safe connection can be made, ${storedWords(facts.start.failure)}.${besides(facts)}`,
        where: `TLS handshake with ${hostOf(askedLast(facts))}`,
        opens: 'Put a certificate there that is valid, made out to this name and signed by a known authority. A staging copy can be reached by a pin, which takes any certificate.',
    }),
    'no-answer': (facts) => ({
        by: 'no answer',
        say: `Nobody answers, ${storedWords(facts.start.failure)}.${besides(facts)}`,
        where: hostOf(askedLast(facts)),
        opens: 'Check the address and that the server runs; a staging copy may need a pin.',
    }),
    'sign-in': (facts) => ({
        by: 'a sign-in',
        say: 'The start page asks for a user name and a password (401).',
        where: statusLine(facts),
        opens: 'Give a sign-in in the settings, or take the protection away when the site goes live.',
    }),
    status: (facts) => {
        const status = facts.start.status ?? 0;
        const help =
            status >= 500
                ? 'Find the error in the log of the server; nothing on our side can get past it.'
                : 'Let the start page answer 200.';
        return {
            by: `status ${status}`,
            say: `The start page answers ${status}.`,
            where: statusLine(facts),
            opens: STATUS_HELP[status] ?? help,
        };
    },
    unreadable: (facts) => ({
        by: 'an answer that cannot be read',
        say: `The start page cannot be read: ${storedWords(facts.start.failure)}.`,
        where: statusLine(facts),
        opens: 'Let the server send the whole page in the form its headers say.',
    }),
    type: (facts) => ({
        by: 'its type',
        say: `The start page is ${facts.start.contentType || 'of no known type'}, not HTML: there are no links to follow.`,
        where: `Content-Type header of ${askedLast(facts)}`,
        opens: 'Start at a page, or let the server say text/html.',
    }),
    empty: (facts) => {
        const { scripts } = facts.start;
        const say =
            scripts > 0
                ? `The start page holds no word and no link as it is sent; ${scripts === 1 ? 'a script' : `${scripts} scripts`} may fill it in a browser, but what reads without running scripts sees nothing.`
                : 'The start page holds no word and no link.';
        return {
            by: 'an empty page',
            say,
            where: `body of ${askedLast(facts)}`,
            opens: 'Send the text and the links with the page itself.',
        };
    },
    noindex: ({ start }) => ({
        by: 'noindex',
        say: `The start page must not be indexed: ${storedWords(start.noindex?.say ?? '')}.`,
        where: whereWords(start.noindex?.where ?? []),
        opens: 'Take the noindex away there. It is often left behind when a site goes live.',
    }),
    canonical: ({ start }) => ({
        by: 'a canonical elsewhere',
        say: `The start page hands itself over to ${start.canonical?.say}.`,
        where: whereWords(start.canonical?.where ?? []),
        opens: 'Let the canonical name the start page itself, or start at the page it names.',
    }),
};

const REMARKS: Record<RemarkCode, (facts: DoorFacts) => string> = {
    'no-robots': ({ robots }) =>
        `There is no robots.txt (it answers ${robots.status}): everything is open, which is no fault.`,
    'kept-out': () => 'What stands behind was not looked at, because the check was told to keep out.',
    'asked-once': () =>
        'The start page was asked for once all the same, because you typed it in; nothing else that is closed was.',
    'noindex-in-body': ({ start }) =>
        `${storedWords(start.noindexInBody?.say ?? '')} counts for nothing, because it stands in the body (${whereWords(start.noindexInBody?.where ?? [])}).`,
    refresh: ({ start }) => `${storedWords(start.refresh?.say ?? '')} (${whereWords(start.refresh?.where ?? [])}).`,
    'no-language': () => 'The start page does not say its language (lang on the html element).',
    'variants-agree': (facts) => {
        const { landing, silent, ends } = variantLandings(facts);
        const all = facts.variants.length;
        return silent.length === 0
            ? `All ${all} ways to write the host lead to ${ends[0]}.`
            : `${landing.length} of ${all} ways to write the host lead to ${ends[0]}; ${list(silent)} ${silent.length === 1 ? 'does' : 'do'} not answer.`;
    },
    'variants-apart': (facts) => {
        const { ends, canonical } = variantLandings(facts);
        const settled =
            canonical === ''
                ? 'nothing they say settles which is the real one'
                : `their canonicals all name ${canonical}`;
        return `${ends.length} ways to write the host each answer by themselves (${list(ends)}); ${settled}.`;
    },
    'sitemap-unreadable': () =>
        'No sitemap could be read, though robots.txt names one: pages that no link reaches cannot be looked for.',
    'no-sitemap': () => 'No sitemap was found: pages that no link reaches cannot be looked for.',
    'crawl-delay': ({ robots, token }) =>
        `robots.txt asks ${agentWords(token)} for ${robots.crawlDelay} s between requests.`,
    'certificate-ends': (facts) => `A certificate ends in ${certificateDays(facts)} days.`,
};

/** Whole days until the first of the trusted certificates ends. */
function certificateDays({ variants, at }: DoorFacts): number {
    const ends = variants.flatMap(({ certificate }) =>
        certificate?.isTrusted && certificate.validTo !== null ? [certificate.validTo] : [],
    );
    return Math.max(0, Math.floor((Math.min(...ends) - at) / 86_400_000));
}

function list(words: readonly string[]): string {
    return words.length <= 1 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

function lowerFirst(text: string): string {
    return text.charAt(0).toLowerCase() + text.slice(1);
}

export function boltWords({ kind }: Pick<Bolt, 'kind'>, facts: DoorFacts): BoltWords {
    return BOLTS[kind](facts);
}

/** The sentence on top of a report. */
export function doorSentence({ facts, verdict }: DoorReport): string {
    if (verdict.state === 'shut') return shutSentence(facts, verdict);
    const sampled = facts.samples.length;
    const open = facts.samples.filter(mayBeIndexed).length;
    if (verdict.state === 'half') {
        const [bolt] = verdict.bolts;
        return bolt
            ? `The door is half open: ${lowerFirst(boltWords(bolt, facts).say).replace(/\.$/, '')}, but ${open} of ${sampled} pages behind it may be indexed.`
            : `The door is half open: the start page is, but only ${open} of the ${sampled} pages asked behind it may be indexed.`;
    }
    let behind = `and ${open} of ${sampled} pages tried behind it are open too`;
    if (sampled === 0) behind = 'no page behind it was found to try';
    else if (open === sampled) {
        behind = `so ${sampled === 1 ? 'does the one page' : `do the ${sampled} pages`} tried behind it`;
    }
    return `The door is open: ${askedLast(facts)} answers 200 and may be indexed, ${behind}.`;
}

function shutSentence(facts: DoorFacts, { bolts }: DoorVerdict): string {
    // What holds for the start page alone, or hands it over, shuts nothing.
    const shut = bolts.filter(({ onlyHere, kind }) => !onlyHere && kind !== 'canonical');
    const [only] = shut;
    if (shut.length === 1 && only) {
        const { by, say } = boltWords(only, facts);
        // Where nobody opens, the sentence itself says what shuts.
        const speaksForItself = only.kind === 'no-answer' || only.kind === 'tls';
        return `The door is shut${speaksForItself ? '' : ` by ${by}`}: ${lowerFirst(say)}`;
    }
    const names = (some: readonly Bolt[]): string => list(some.map((bolt) => boltWords(bolt, facts).by));
    const hidden = shut.filter(({ isHidden }) => isHidden);
    const seen = shut.filter(({ isHidden }) => !isHidden);
    const behind =
        hidden.length > 0
            ? `, and behind that by ${names(hidden)}, which nobody who keeps to robots.txt will ever see`
            : '';
    const times = shut.length === 2 ? 'twice' : `${shut.length} times`;
    return `The door is shut ${times}: by ${names(hidden.length > 0 ? seen : shut)}${behind}.`;
}

/** Kinds that were once told as one with another. */
const GIVEN_OUT_AS: Partial<Record<BoltKind, BoltKind>> = { redirects: 'status', unreadable: 'no-answer' };

/** A verdict in words, as it is shown and given out. */
export interface ToldVerdict {
    state: DoorVerdict['state'];
    /** One sentence. */
    say: string;
    /** `code` tells all kinds apart; `kind` has the names that have always been given out. */
    bolts: (Omit<Bolt, 'kind'> & BoltWords & { kind: string; code: BoltKind })[];
    /** What is odd without shutting anything. */
    remarks: string[];
}

export function toldVerdict(report: DoorReport): ToldVerdict {
    const { facts, verdict } = report;
    return {
        state: verdict.state,
        say: doorSentence(report),
        bolts: verdict.bolts.map(({ kind, ...bolt }) => ({
            kind: GIVEN_OUT_AS[kind] ?? kind,
            code: kind,
            ...boltWords({ kind }, facts),
            ...bolt,
        })),
        remarks: verdict.remarks.map((code) => REMARKS[code](facts)),
    };
}
