/** From what a door check found to what it means: open, half open or shut, what shuts it, and what would open it. */
import { hostOf, originOf } from '../address/address.ts';
import { isHtmlType } from '../gates/gates.ts';
import { readProblem } from '../problems/problem.ts';
import { agentWords, storedWords } from '../words/problems.ts';
import type { Bolt, DoorFacts, DoorPage, DoorVerdict } from './door-report.ts';

/** The host as a person says it, without scheme. */
function hostWords(url: string): string {
    return url === '' ? '' : hostOf(url);
}

const STATUS_HELP: Record<number, string> = {
    403: 'Let the agent in where the server or what stands before it refuses it, or give a sign-in.',
    404: 'Check the address; the start page may have moved.',
    410: 'Check the address; the server says this page is gone for good.',
    429: 'Ask for less at a time, or have the limit lifted for this agent.',
    503: 'Wait until the site is back, or end the maintenance mode.',
};

function bolt(kind: Bolt['kind'], by: string, say: string, where: string, opens: string): Bolt {
    return { kind, by, say, where, opens, isHidden: false, onlyHere: false };
}

/** True for a page that got through: answered 200 and is not kept from being read. */
function isOpenPage(page: DoorPage): boolean {
    return page.closedBy === '' && page.status === 200 && page.failure === '';
}

/** True for a page an index may take. */
function mayBeIndexed(page: DoorPage): boolean {
    return isOpenPage(page) && page.noindex === null && page.canonical === null && isHtmlType(page.mediaType);
}

export function judgeDoor(facts: DoorFacts): DoorVerdict {
    const atStart = startBolts(facts);
    // A host that answers nothing at all, or errors only, is told once: not for its robots.txt and again for its start page.
    const isSilent =
        atStart.length > 0 &&
        (facts.robots.status === null || (facts.robots.status >= 500 && (facts.start.status ?? 0) >= 500));
    const bolts = [...(isSilent ? [] : robotsBolts(facts)), ...atStart];
    const closed = facts.robots.closes === 'start' || facts.robots.closes === 'site';
    for (const item of bolts)
        if (closed && (item.kind === 'noindex' || item.kind === 'canonical')) item.isHidden = true;

    // What holds for the start page alone shuts that page, not the site.
    const open = facts.samples.filter(mayBeIndexed).length;
    const isMostlyOpen = facts.samples.length > 0 && open * 2 > facts.samples.length;
    for (const item of bolts) {
        const isOfPage = item.kind === 'noindex' || item.kind === 'canonical' || facts.robots.closes === 'start';
        item.onlyHere = isOfPage && isMostlyOpen && (item.kind !== 'robots' || facts.robots.closes === 'start');
    }
    const shut = bolts.filter((item) => !item.onlyHere && item.kind !== 'canonical');
    const state = shut.length > 0 ? 'shut' : bolts.length > 0 || isHalfShut(facts) ? 'half' : 'open';
    return { state, say: sentence(facts, state, state === 'shut' ? shut : bolts), bolts, remarks: remarks(facts) };
}

/** The start page is open, and most of what lies behind it is not. */
function isHalfShut(facts: DoorFacts): boolean {
    if (facts.samples.length === 0) return false;
    return facts.samples.filter(mayBeIndexed).length * 2 <= facts.samples.length;
}

function robotsBolts({ robots, token, url }: DoorFacts): Bolt[] {
    const agent = agentWords(token);
    if (robots.closes === 'unreachable') {
        return [
            bolt(
                'robots',
                'a robots.txt that cannot be had',
                `robots.txt cannot be had (${robots.note}), so everything counts as closed.`,
                robots.url,
                'Let robots.txt answer 200 with its rules, or 404 if there are none.',
            ),
        ];
    }
    if (robots.closes !== 'start' && robots.closes !== 'site') return [];
    const what = robots.closes === 'site' ? 'the whole site' : `the start page ${url}`;
    const group = robots.group === '*' ? 'in the group for every agent' : `in the group for ${agent}`;
    return [
        bolt(
            'robots',
            'robots.txt',
            `“${robots.rule}” closes ${what} for ${agent}.`,
            `${robots.url}, line ${robots.line}, ${group}`,
            `Take line ${robots.line} out of robots.txt, or add a group for ${agent} that allows it. To survey a site of your own as it is, set robots to "record".`,
        ),
    ];
}

function startBolts(facts: DoorFacts): Bolt[] {
    const { start, startAsOther, token } = facts;
    if (start.isLeft) return [];
    const agent = agentWords(token);
    const first = start.hops[0];
    const last = start.hops.at(-1);
    const asked = last?.url ?? start.url;
    if (first === undefined || last === undefined) return [];
    if (last.to !== '') {
        return [
            bolt(
                'elsewhere',
                `a ${last.by === 'refresh' ? 'refresh' : 'redirect'} to another host`,
                `${asked} leads to ${last.to}, which does not belong to this site.`,
                last.by === 'refresh' ? `refresh on ${asked}` : `Location header of ${asked}, status ${last.status}`,
                `Survey ${last.to} if that is the site you mean; else take the ${last.by === 'refresh' ? 'refresh' : 'redirect'} away.`,
            ),
        ];
    }
    const isRefused =
        startAsOther !== null && startAsOther.status === 200 && start.status !== 200 && startAsOther.failure === '';
    if (isRefused) {
        const seen = start.status === null ? storedWords(start.failure) : `answered ${start.status}`;
        return [
            bolt(
                'agent',
                'the agent name',
                `The server turns ${agent} away (${seen}) and answers “${facts.otherAgent}” with 200.`,
                `answer to User-Agent: ${facts.agent}`,
                `Let ${agent} in where the server, or what stands before it, tells agents apart.`,
            ),
        ];
    }
    if (start.status === null && start.hops.some((hop) => hop.status !== null)) {
        return [
            bolt(
                'status',
                'its own redirects',
                `The start page is never reached: ${storedWords(start.failure)}.`,
                `Location header of ${asked}`,
                'Let the redirects end at a page that answers 200.',
            ),
        ];
    }
    if (start.status === null) {
        const isTls = readProblem(start.failure)?.code === 'tls';
        const other = facts.variants.find((variant) => variant.lands !== '' && variant.origin !== originOf(start.url));
        const besides = other ? ` ${other.origin} does answer.` : '';
        return [
            isTls
                ? bolt(
                      'tls',
                      'TLS',
                      `No safe connection can be made, ${storedWords(start.failure)}.${besides}`,
                      `TLS handshake with ${hostWords(asked)}`,
                      'Put a certificate there that is valid, made out to this name and signed by a known authority. A staging copy can be reached by a pin, which takes any certificate.',
                  )
                : bolt(
                      'no-answer',
                      'no answer',
                      `Nobody answers, ${storedWords(start.failure)}.${besides}`,
                      hostWords(asked),
                      'Check the address and that the server runs; a staging copy may need a pin.',
                  ),
        ];
    }
    const bolts: Bolt[] = [];
    const where = `status line of ${asked}`;
    if (start.status === 401) {
        bolts.push(
            bolt(
                'sign-in',
                'a sign-in',
                'The start page asks for a user name and a password (401).',
                where,
                'Give a sign-in in the settings, or take the protection away when the site goes live.',
            ),
        );
    } else if (start.status !== 200) {
        bolts.push(
            bolt(
                'status',
                `status ${start.status}`,
                `The start page answers ${start.status}.`,
                where,
                STATUS_HELP[start.status] ??
                    (start.status >= 500
                        ? 'Find the error in the log of the server; nothing on our side can get past it.'
                        : 'Let the start page answer 200.'),
            ),
        );
    } else if (start.failure !== '') {
        bolts.push(
            bolt(
                'no-answer',
                'an answer that cannot be read',
                `The start page cannot be read: ${storedWords(start.failure)}.`,
                where,
                'Let the server send the whole page in the form its headers say.',
            ),
        );
    } else if (!isHtmlType(start.mediaType)) {
        bolts.push(
            bolt(
                'type',
                'its type',
                `The start page is ${start.mediaType || 'of no known type'}, not HTML: there are no links to follow.`,
                `Content-Type header of ${asked}`,
                'Start at a page, or let the server say text/html.',
            ),
        );
    } else if ((start.words ?? 0) === 0 && (start.links ?? 0) === 0) {
        bolts.push(
            bolt(
                'empty',
                'an empty page',
                start.scripts > 0
                    ? `The start page holds no word and no link as it is sent; ${start.scripts === 1 ? 'a script' : `${start.scripts} scripts`} may fill it in a browser, but what reads without running scripts sees nothing.`
                    : 'The start page holds no word and no link.',
                `body of ${asked}`,
                'Send the text and the links with the page itself.',
            ),
        );
    }
    // What an error page says of itself is no second cause.
    if (start.status !== 200) return bolts;
    if (start.noindex) {
        bolts.push(
            bolt(
                'noindex',
                'noindex',
                `The start page must not be indexed: ${start.noindex.say}.`,
                start.noindex.where,
                'Take the noindex away there. It is often left behind when a site goes live.',
            ),
        );
    }
    if (start.canonical) {
        bolts.push(
            bolt(
                'canonical',
                'a canonical elsewhere',
                `The start page hands itself over to ${start.canonical.say}.`,
                start.canonical.where,
                'Let the canonical name the start page itself, or start at the page it names.',
            ),
        );
    }
    return bolts;
}

function list(words: string[]): string {
    return words.length <= 1 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

function sentence(facts: DoorFacts, state: DoorVerdict['state'], bolts: Bolt[]): string {
    const [only] = bolts;
    if (state === 'shut') {
        // Where nobody opens, the sentence itself says what shuts.
        if (bolts.length === 1 && only && (only.kind === 'no-answer' || only.kind === 'tls')) {
            return `The door is shut: ${lowerUnlessQuote(only.say)}`;
        }
        if (bolts.length === 1 && only) return `The door is shut by ${only.by}: ${lowerUnlessQuote(only.say)}`;
        const hidden = bolts.filter((item) => item.isHidden);
        const seen = bolts.filter((item) => !item.isHidden);
        const behind =
            hidden.length > 0
                ? `, and behind that by ${list(hidden.map((item) => item.by))}, which nobody who keeps to robots.txt will ever see`
                : '';
        return `The door is shut ${bolts.length === 2 ? 'twice' : `${bolts.length} times`}: by ${list((hidden.length > 0 ? seen : bolts).map((item) => item.by))}${behind}.`;
    }
    const sampled = facts.samples.length;
    const open = facts.samples.filter(mayBeIndexed).length;
    if (state === 'half') {
        if (only)
            return `The door is half open: ${lowerUnlessQuote(only.say).replace(/\.$/, '')}, but ${open} of ${sampled} pages behind it may be indexed.`;
        return `The door is half open: the start page is, but only ${open} of the ${sampled} pages asked behind it may be indexed.`;
    }
    const behind =
        sampled === 0
            ? 'no page behind it was found to try'
            : open === sampled
              ? `so ${sampled === 1 ? 'does the one page' : `do the ${sampled} pages`} tried behind it`
              : `and ${open} of ${sampled} pages tried behind it are open too`;
    return `The door is open: ${facts.start.hops.at(-1)?.url ?? facts.start.url} answers 200 and may be indexed, ${behind}.`;
}

function lowerUnlessQuote(text: string): string {
    return text.charAt(0).toLowerCase() + text.slice(1);
}

function remarks(facts: DoorFacts): string[] {
    const said: string[] = [];
    const { start, robots, variants, token } = facts;
    if (robots.status !== null && robots.status >= 400 && robots.status < 500) {
        said.push(`There is no robots.txt (it answers ${robots.status}): everything is open, which is no fault.`);
    }
    if (start.isLeft) said.push('What stands behind was not looked at, because the check was told to keep out.');
    else if (start.closedBy !== '') {
        said.push(
            'The start page was asked for once all the same, because you typed it in; nothing else that is closed was.',
        );
    }
    if (start.noindexInBody) {
        said.push(
            `${start.noindexInBody.say} counts for nothing, because it stands in the body (${start.noindexInBody.where}).`,
        );
    }
    if (start.refresh) said.push(`${start.refresh.say} (${start.refresh.where}).`);
    if (start.language === '' && start.status === 200 && isHtmlType(start.mediaType)) {
        said.push('The start page does not say its language (lang on the html element).');
    }
    said.push(...variantRemarks(facts));
    const loading = facts.sitemaps.filter((item) => item.entries !== null);
    if (loading.length === 0) {
        said.push(
            robots.sitemaps.length > 0
                ? 'No sitemap could be read, though robots.txt names one: pages that no link reaches cannot be looked for.'
                : 'No sitemap was found: pages that no link reaches cannot be looked for.',
        );
    }
    if (robots.crawlDelay !== null) {
        said.push(`robots.txt asks ${agentWords(token)} for ${robots.crawlDelay} s between requests.`);
    }
    if (variants.some((variant) => variant.certificate?.validTo != null && variant.certificate.isTrusted)) {
        const days = Math.min(
            ...variants.flatMap((variant) =>
                variant.certificate?.isTrusted && variant.certificate.validTo !== null
                    ? [(variant.certificate.validTo - facts.at) / 86_400_000]
                    : [],
            ),
        );
        if (days < 21) said.push(`A certificate ends in ${Math.max(0, Math.floor(days))} days.`);
    }
    return said;
}

/** Which of the host variants is the real one, and whether the others lead there. */
function variantRemarks({ variants }: DoorFacts): string[] {
    if (variants.length < 2) return [];
    const landing = variants.filter((variant) => variant.lands !== '');
    const ends = new Set(landing.map((variant) => variant.lands));
    if (landing.length === 0) return [];
    if (ends.size === 1) {
        const silent = variants.length - landing.length;
        const end = [...ends][0] ?? '';
        return silent === 0
            ? [`All ${variants.length} ways to write the host lead to ${end}.`]
            : [
                  `${landing.length} of ${variants.length} ways to write the host lead to ${end}; ${list(variants.filter((variant) => variant.lands === '').map((variant) => variant.origin))} ${silent === 1 ? 'does' : 'do'} not answer.`,
              ];
    }
    const canonicals = new Set(landing.map((variant) => (variant.canonical === '' ? '' : originOf(variant.canonical))));
    const agreed = canonicals.size === 1 && !canonicals.has('') ? [...canonicals][0] : undefined;
    return [
        `${ends.size} ways to write the host each answer by themselves (${list([...ends])}); ${
            agreed ? `their canonicals all name ${agreed}` : 'nothing they say settles which is the real one'
        }.`,
    ];
}

/** The variant the others lead to, or the one all canonicals name; empty when nothing settles it. */
export function realOrigin({ variants }: Pick<DoorFacts, 'variants'>): string {
    const landing = variants.filter((variant) => variant.lands !== '');
    const ends = new Set(landing.map((variant) => variant.lands));
    if (ends.size === 1) return [...ends][0] ?? '';
    const canonicals = new Set(landing.map((variant) => (variant.canonical === '' ? '' : originOf(variant.canonical))));
    return canonicals.size === 1 ? ([...canonicals][0] ?? '') : '';
}
