/** From what a door check found to what it means: open, half open or shut, what shuts it, and what is odd. */
import { originOf } from '../address/address.ts';
import { isHtmlType } from '../gates/gates.ts';
import { readProblem } from '../problems/problem.ts';
import type { Bolt, BoltKind, DoorFacts, DoorPage, DoorVerdict, RemarkCode } from './door-report.ts';

/** Certificates that end sooner are worth a word, days. */
const SOON = 21;
const DAY = 86_400_000;

/** True for a page that got through: answered 200 and is not kept from being read. */
function isOpenPage(page: DoorPage): boolean {
    return page.closedBy === '' && page.status === 200 && page.failure === '';
}

/** True for a page an index may take. */
export function mayBeIndexed(page: DoorPage): boolean {
    return isOpenPage(page) && page.noindex === null && page.canonical === null && isHtmlType(page.contentType);
}

export function judgeDoor(facts: DoorFacts): DoorVerdict {
    const bolts = boltsOf(facts);
    const shut = bolts.filter((item) => !item.onlyHere && item.kind !== 'canonical');
    const isHalf = bolts.length > 0 || isHalfShut(facts);
    return { state: shut.length > 0 ? 'shut' : isHalf ? 'half' : 'open', bolts, remarks: remarksOf(facts) };
}

function boltsOf(facts: DoorFacts): Bolt[] {
    const { robots, samples } = facts;
    const atStart = startBolts(facts);
    // A host that answers nothing at all, or errors only, is told once: not for its robots.txt and again for its start page.
    const isSilent =
        atStart.length > 0 && (robots.status === null || (robots.status >= 500 && (facts.start.status ?? 0) >= 500));
    const isClosed = robots.closes === 'start' || robots.closes === 'site';
    const kinds: BoltKind[] = [
        ...(!isSilent && (isClosed || robots.closes === 'unreachable') ? (['robots'] as const) : []),
        ...atStart,
    ];
    // What holds for the start page alone shuts that page, not the site.
    const isMostlyOpen = samples.length > 0 && samples.filter(mayBeIndexed).length * 2 > samples.length;
    return kinds.map((kind) => {
        const isOfPage = kind === 'noindex' || kind === 'canonical';
        const holdsHere = robots.closes === 'start' || isOfPage;
        return { kind, isHidden: isClosed && isOfPage, onlyHere: holdsHere && isMostlyOpen };
    });
}

/** The start page is open, and most of what lies behind it is not. */
function isHalfShut({ samples }: DoorFacts): boolean {
    return samples.length > 0 && samples.filter(mayBeIndexed).length * 2 <= samples.length;
}

/** What shuts the start page itself. */
function startBolts({ start, startAsOther }: DoorFacts): BoltKind[] {
    const last = start.hops.at(-1);
    if (start.isLeft || last === undefined) return [];
    if (last.to !== '') return ['elsewhere'];
    const isLetIn = startAsOther !== null && startAsOther.status === 200 && startAsOther.failure === '';
    if (isLetIn && start.status !== 200) return ['agent'];
    if (start.status === null) {
        if (start.hops.some((hop) => hop.status !== null)) return ['redirects'];
        return [readProblem(start.failure)?.code === 'tls' ? 'tls' : 'no-answer'];
    }
    // What an error page says of itself is no second cause.
    if (start.status === 401) return ['sign-in'];
    if (start.status !== 200) return ['status'];
    const bolts: BoltKind[] = [];
    if (start.failure !== '') bolts.push('unreadable');
    else if (!isHtmlType(start.contentType)) bolts.push('type');
    else if ((start.words ?? 0) === 0 && (start.links ?? 0) === 0) bolts.push('empty');
    if (start.noindex) bolts.push('noindex');
    if (start.canonical) bolts.push('canonical');
    return bolts;
}

function remarksOf(facts: DoorFacts): RemarkCode[] {
    const { start, robots, sitemaps } = facts;
    const remarks: RemarkCode[] = [];
    if (robots.status !== null && robots.status >= 400 && robots.status < 500) remarks.push('no-robots');
    if (start.isLeft) remarks.push('kept-out');
    else if (start.closedBy !== '') remarks.push('asked-once');
    if (start.noindexInBody) remarks.push('noindex-in-body');
    if (start.refresh) remarks.push('refresh');
    if (start.language === '' && start.status === 200 && isHtmlType(start.contentType)) remarks.push('no-language');
    const { landing, ends } = variantLandings(facts);
    if (facts.variants.length > 1 && landing.length > 0) {
        remarks.push(ends.length === 1 ? 'variants-agree' : 'variants-apart');
    }
    if (sitemaps.every(({ entries }) => entries === null)) {
        remarks.push(robots.sitemaps.length > 0 ? 'sitemap-unreadable' : 'no-sitemap');
    }
    if (robots.crawlDelay !== null) remarks.push('crawl-delay');
    if (facts.variants.some(({ certificate }) => endsBefore(certificate, facts.at + SOON * DAY))) {
        remarks.push('certificate-ends');
    }
    return remarks;
}

function endsBefore(certificate: DoorFacts['variants'][number]['certificate'], at: number): boolean {
    return certificate?.isTrusted === true && certificate.validTo !== null && certificate.validTo < at;
}

export interface VariantLandings {
    /** Variants that land somewhere, and those that do not. */
    landing: string[];
    silent: string[];
    /** Where they land, each once. */
    ends: string[];
    /** The origin that the canonicals of all that land name; empty where they name none, or several. */
    canonical: string;
}

/** Where the ways to write the host lead. */
export function variantLandings({ variants }: Pick<DoorFacts, 'variants'>): VariantLandings {
    const landing = variants.filter(({ lands }) => lands !== '');
    const canonicals = new Set(landing.map(({ canonical }) => (canonical === '' ? '' : originOf(canonical))));
    return {
        landing: landing.map(({ origin }) => origin),
        silent: variants.filter(({ lands }) => lands === '').map(({ origin }) => origin),
        ends: [...new Set(landing.map(({ lands }) => lands))],
        canonical: canonicals.size === 1 ? ([...canonicals][0] ?? '') : '',
    };
}

/** The variant the others lead to, or the one all canonicals name; empty when nothing settles it. */
export function realOrigin(facts: Pick<DoorFacts, 'variants'>): string {
    const { ends, canonical } = variantLandings(facts);
    return ends.length === 1 ? (ends[0] ?? '') : canonical;
}
