/**
 * A sitemap put to the test, cheapest test first: what was tried, what was seen. The list ends where a test makes the
 * next ones impossible; where all pass it says that nothing was found on the site's side.
 */
import { hostOf, originOf, pathOf } from '../address/address.ts';
import type { EntryAt, FirstOf, SitemapFound, SitemapStep, StepParams } from '../door/door-report.ts';
import type { Problem, ProblemText } from '../problems/problem.ts';
import type { SitemapFile, SitemapTroubleCode } from './read-sitemap.ts';
import { isW3cDate } from './w3c-date.ts';

/** What was had of one sitemap, as far as it was had. */
export interface SitemapKnock {
    url: string;
    found: SitemapFound;
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

/** Before anything was asked for. */
export const bareKnock = (url: string, found: SitemapFound): SitemapKnock => ({
    url,
    found,
    belongs: true,
    closedBy: null,
    hops: [],
    contentType: '',
    caching: '',
    bytes: null,
    bodyTrouble: null,
    file: null,
    at: Date.now(),
});

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
    'with-fragment',
    'odd-values',
];

/** Of a list, so many are kept. */
const FEW = 5;
const FEW_PLACES = 2;
const DAY = 86_400_000;

export function sitemapSteps(knock: SitemapKnock): SitemapStep[] {
    const steps: SitemapStep[] = [];
    function add<T extends keyof StepParams>(test: T, ok: boolean | null, params: StepParams[T]): boolean {
        // That the pair belongs together is lost in the union.
        steps.push({ test, params, ok } as unknown as SitemapStep);
        return ok !== false;
    }

    add('found', true, { how: knock.found });
    if (!knock.belongs) {
        add('host', false, { url: knock.url });
        return steps;
    }
    if (!add('robots', knock.closedBy === null, { closedBy: knock.closedBy })) return steps;

    const last = knock.hops.at(-1) ?? { url: knock.url, status: null, failure: '' as const };
    const redirects = Math.max(0, knock.hops.length - 1);
    const { status, failure, url: at } = last;
    if (!add('answer', status === 200, { url: knock.url, redirects, at, status, failure })) return steps;
    if (redirects > 0) add('redirect', null, { at });
    if (knock.caching !== '') add('caching', null, { headers: knock.caching });

    const { file, bytes, bodyTrouble: trouble } = knock;
    if (bytes === null || !file) {
        add('body', false, { bytes: null, trouble });
        return steps;
    }
    add('body', trouble === null, { bytes, trouble });
    if (file.kind !== 'text' && /^text\/html/i.test(knock.contentType)) {
        add('type', file.kind === 'unknown' ? false : null, { sent: knock.contentType });
    }
    const form = file.troubles.filter(({ code }) => FORM_TROUBLES.includes(code));
    const isOdd = form.length > 0 ? null : true;
    const isBroken = form.some(({ code }) => !ODD_FORM.includes(code));
    add('form', isBroken ? false : isOdd, { kind: file.kind, troubles: form });
    if (file.entries.length > 0) judgeEntries(knock, file, add);

    if (steps.every(({ ok }) => ok === true)) add('all', true, {});
    return steps;
}

type Add = <T extends keyof StepParams>(test: T, ok: boolean | null, params: StepParams[T]) => void;

/** The tests of what it lists. */
function judgeEntries(knock: SitemapKnock, file: SitemapFile, add: Add): void {
    const { kind } = file;
    const troubles = file.troubles.filter(({ code }) => ENTRY_TROUBLES.includes(code));
    add('entries', troubles.length === 0 ? true : null, {
        kind,
        usable: file.entries.length,
        troubles: firstOf(troubles),
    });
    const place = placeOf(knock, file);
    const isElsewhere = place.hosts.all + place.schemes.all > 0;
    add('place', isElsewhere ? false : place.above.all > 0 ? null : true, place);
    const twice = doubles(file);
    if (twice.length > 0) add('doubles', null, { kind, twice: firstOf(twice) });
    const odd = kind === 'feed' ? [] : oddDates(file, knock.at);
    if (odd.length > 0) add('dates', null, { odd: firstOf(odd) });
}

/** Where its entries may lie (protocol 0.9, "Sitemap file location"): same scheme and host, at or below its folder. */
function placeOf(knock: SitemapKnock, file: SitemapFile): StepParams['place'] {
    const at = knock.hops.at(-1)?.url ?? knock.url;
    const origin = originOf(at);
    const folder = pathOf(at)
        .split('?', 1)[0]!
        .replace(/[^/]*$/, '');
    const hosts: EntryAt[] = [];
    const schemes: EntryAt[] = [];
    const above: EntryAt[] = [];
    for (const { url, line } of file.entries) {
        if (hostOf(url) !== hostOf(at)) hosts.push({ line, url });
        else if (originOf(url) !== origin) schemes.push({ line, url });
        else if (!pathOf(url).startsWith(folder)) above.push({ line, url });
    }
    return {
        origin,
        folder,
        hosts: firstOf(hosts, FEW_PLACES),
        schemes: firstOf(schemes, FEW_PLACES),
        above: firstOf(above, FEW_PLACES),
    };
}

function doubles(file: SitemapFile): (EntryAt & { before: number })[] {
    const first = new Map<string, number>();
    const twice: (EntryAt & { before: number })[] = [];
    for (const { url, line } of file.entries) {
        const before = first.get(url);
        if (before === undefined) first.set(url, line);
        else twice.push({ line, url, before });
    }
    return twice;
}

function oddDates(file: SitemapFile, now: number): StepParams['dates']['odd']['first'] {
    return file.entries.flatMap(({ lastmod, line }) => {
        if (lastmod === '') return [];
        // A day's grace: the site may lie in a zone that is ahead.
        const isAhead = isW3cDate(lastmod) && Date.parse(lastmod) > now + DAY;
        return isAhead || !isW3cDate(lastmod) ? [{ line, lastmod, isAhead }] : [];
    });
}

const firstOf = <T>(list: readonly T[], most = FEW): FirstOf<T> => ({ first: list.slice(0, most), all: list.length });
