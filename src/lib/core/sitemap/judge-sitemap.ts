/**
 * A sitemap put to the test, cheapest test first: what was tried, what was seen. The list ends where a test makes the
 * next ones impossible; where all pass it says that nothing was found on the site's side.
 */
import { hostOf, originOf, pathOf } from '../address/address.ts';
import type { Problem, ProblemText } from '../problems/problem.ts';
import { placedWords, problemWords, storedWords } from '../words/problems.ts';
import type { SitemapStep } from '../door/door-report.ts';
import type { SitemapFile, SitemapTroubleCode } from './read-sitemap.ts';
import { isW3cDate } from './w3c-date.ts';

/** What was had of one sitemap, as far as it was had. */
export interface SitemapKnock {
    url: string;
    found: string;
    /** The address belongs to the site being looked at. */
    belongs: boolean;
    /** What closes it for our agent; null when nothing does. */
    closedBy: Problem | null;
    /** Answers on the way, the last one last; empty when it was not asked for. */
    hops: { url: string; status: number | null; failure: ProblemText }[];
    contentType: string;
    /** Caching headers of the last answer that keep an old copy alive; empty when none. */
    caching: string;
    /** Bytes unpacked; null when there is no body. */
    bytes: number | null;
    /** Why the body could not be had or unpacked whole; null otherwise. */
    bodyTrouble: Problem | null;
    file: SitemapFile | null;
    /** When it was asked, UTC, milliseconds since 1970. */
    at: number;
}

const FORM_TROUBLES: readonly SitemapTroubleCode[] = [
    'empty',
    'html',
    'not-xml',
    'not-a-sitemap',
    'namespace',
    'doctype',
    'encoding',
    'broken-text',
    'cut',
];
/** Odd, and no hindrance to whoever reads it. */
const ODD_FORM: readonly SitemapTroubleCode[] = ['doctype', 'namespace', 'encoding'];
const ENTRY_TROUBLES: readonly SitemapTroubleCode[] = [
    'bare-ampersand',
    'bad-address',
    'relative',
    'blank',
    'two-locs',
    'no-loc',
    'too-long',
    'too-many',
];

export function sitemapSteps(knock: SitemapKnock): SitemapStep[] {
    const steps: SitemapStep[] = [];
    const add = (test: string, tried: string, seen: string, ok: boolean | null): boolean => {
        steps.push({ test, tried, seen, ok });
        return ok !== false;
    };
    const last = knock.hops.at(-1);

    add('found', 'looked in robots.txt, then at the usual places', knock.found, true);
    if (!knock.belongs) {
        add(
            'host',
            `compared ${hostOf(knock.url)} with the hosts of the site`,
            'it lies on a host that does not belong to the site, so it was not asked for',
            false,
        );
        return steps;
    }
    if (knock.closedBy !== null) {
        add(
            'robots',
            'asked robots.txt whether it may be read',
            `closed by ${problemWords(knock.closedBy)}, so it was not asked for`,
            false,
        );
        return steps;
    }
    add('robots', 'asked robots.txt whether it may be read', 'open', true);

    const tried = `asked for ${knock.url}`;
    if (!last || last.status === null) {
        add('answer', tried, storedWords(last?.failure ?? '') || 'no answer', false);
        return steps;
    }
    const way =
        knock.hops.length > 1
            ? ` after ${knock.hops.length - 1} ${knock.hops.length === 2 ? 'redirect' : 'redirects'}, at ${last.url}`
            : '';
    if (!add('answer', tried, `${last.status}${way}`, last.status === 200)) return steps;
    if (way !== '')
        add(
            'redirect',
            'looked whether the named address is the real one',
            `the address named redirects; name ${last.url} itself`,
            null,
        );
    if (knock.caching !== '')
        add('caching', 'read its caching headers', `${knock.caching}: whoever reads it may be given an old copy`, null);

    const { file } = knock;
    if (knock.bytes === null || !file) {
        add(
            'body',
            'read and unpacked the body',
            knock.bodyTrouble === null ? 'there is no body' : problemWords(knock.bodyTrouble),
            false,
        );
        return steps;
    }
    const size = `${knock.bytes.toLocaleString('en')} bytes unpacked`;
    add(
        'body',
        'read and unpacked the body',
        knock.bodyTrouble === null ? size : `${size}, ${problemWords(knock.bodyTrouble)}`,
        knock.bodyTrouble === null,
    );

    const form = file.troubles.filter((trouble) => FORM_TROUBLES.includes(trouble.code));
    const kind = {
        urlset: 'a urlset',
        sitemapindex: 'a sitemap index',
        text: 'a plain list of addresses',
        feed: 'a feed',
        unknown: 'no sitemap',
    }[file.kind];
    const isXml = file.kind !== 'text';
    if (isXml && /^text\/html/i.test(knock.contentType)) {
        add(
            'type',
            'read its Content-Type',
            `${knock.contentType}, where application/xml is due`,
            file.kind === 'unknown' ? false : null,
        );
    }
    const fatal = form.filter((trouble) => !ODD_FORM.includes(trouble.code));
    add(
        'form',
        'read it as a sitemap',
        [kind, ...form.map((trouble) => placedWords(trouble, 'line'))].join('; '),
        fatal.length > 0 ? false : form.length > 0 ? null : true,
    );
    if (file.entries.length === 0) return steps;

    const troubles = file.troubles.filter((trouble) => ENTRY_TROUBLES.includes(trouble.code));
    const what = file.kind === 'sitemapindex' ? 'files' : 'addresses';
    add(
        'entries',
        `read its ${what}`,
        [
            `${file.entries.length.toLocaleString('en')} usable`,
            ...some(troubles.map((trouble) => placedWords(trouble, 'line'))),
        ].join('; '),
        troubles.length === 0 ? true : null,
    );
    placement(knock, file, add);
    const twice = doubles(file);
    if (twice.length > 0) add('doubles', `looked for ${what} listed twice`, some(twice).join('; '), null);
    const dates = file.kind === 'feed' ? [] : dateTroubles(file, knock.at);
    if (dates.length > 0) add('dates', 'read lastmod', some(dates).join('; '), null);

    if (steps.every((step) => step.ok === true))
        add('all', 'all of the above', 'nothing found on the site’s side', true);
    return steps;
}

/** Where its entries may lie (protocol 0.9, "Sitemap file location"): same scheme and host, at or below its folder. */
function placement(
    knock: SitemapKnock,
    file: SitemapFile,
    add: (test: string, tried: string, seen: string, ok: boolean | null) => boolean,
): void {
    const at = knock.hops.at(-1)?.url ?? knock.url;
    const origin = originOf(at);
    const folder = pathOf(at)
        .split('?', 1)[0]!
        .replace(/[^/]*$/, '');
    const hosts: string[] = [];
    const schemes: string[] = [];
    const above: string[] = [];
    for (const { url, line } of file.entries) {
        if (hostOf(url) !== hostOf(at)) hosts.push(`line ${line}: ${url}`);
        else if (originOf(url) !== origin) schemes.push(`line ${line}: ${url}`);
        else if (!pathOf(url).startsWith(folder)) above.push(`line ${line}: ${url}`);
    }
    if (hosts.length + schemes.length + above.length === 0) {
        add('place', 'compared its entries with its own address', `all on ${origin}, at or below ${folder}`, true);
        return;
    }
    const of = (list: string[], say: string): string[] =>
        list.length === 0 ? [] : [`${list.length} ${say} (${some(list, 2).join('; ')})`];
    add(
        'place',
        'compared its entries with its own address',
        [
            ...of(hosts, `on another host, which counts only where that host's robots.txt names this file`),
            ...of(schemes, 'with another scheme'),
            ...of(above, `outside ${folder}, which counts only where robots.txt names the file`),
        ].join('; '),
        hosts.length > 0 || schemes.length > 0 ? false : null,
    );
}

function doubles(file: SitemapFile): string[] {
    const first = new Map<string, number>();
    const twice: string[] = [];
    for (const { url, line } of file.entries) {
        const at = first.get(url);
        if (at === undefined) first.set(url, line);
        else twice.push(`line ${line}: ${url}, as in line ${at}`);
    }
    return twice;
}

function dateTroubles(file: SitemapFile, now: number): string[] {
    const troubles: string[] = [];
    for (const { lastmod, line } of file.entries) {
        if (lastmod === '') continue;
        if (!isW3cDate(lastmod)) troubles.push(`line ${line}: “${lastmod}” is no date as the protocol wants it`);
        // A day's grace: the site may lie in a zone that is ahead.
        else if (Date.parse(lastmod) > now + 86_400_000) troubles.push(`line ${line}: ${lastmod} lies in the future`);
    }
    return troubles;
}

/** The first few of a list, and how many there are besides. */
function some(list: string[], most = 5): string[] {
    return list.length <= most ? list : [...list.slice(0, most), `and ${list.length - most} more`];
}
