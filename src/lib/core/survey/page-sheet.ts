/** Everything about one page, for the page sheet: gates, the way here, links in and out, evidence, text facts. */
import { evidenceNames } from '../evidence/evidence.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import { pathTo, UNREACHED } from '../graph/depth.ts';
import { linksOfPage } from './link-records.ts';
import type { MeasuredSurvey } from './measured-survey.ts';
import { pageRecord, type PageRecord } from './page-record.ts';

/** `open`: passed; `stop`: it stops here; `shut`: would fail too; `unknown`: never got that far. */
export type GateState = 'open' | 'stop' | 'shut' | 'unknown';

export interface WayStep {
    node: number;
    url: string;
    title: string;
    depth: number;
    /** How this step is entered. */
    by: 'start' | 'link' | 'redirect' | 'refresh';
    anchor: string;
    region: string;
    /** Line of the link in the page before; null where there is none. */
    line: number | null;
}

export interface SheetLink {
    /** Node of the other page; null for an address that is no page of the site. */
    node: number | null;
    url: string;
    title: string;
    anchor: string;
    followed: boolean;
    region: string;
    line: number | null;
    occurrences: number;
    block: string;
}

export interface PageSheet {
    node: number;
    record: PageRecord;
    gates: { gate: Gate; state: GateState; reason: string }[];
    /** Where it stops and why, as a sentence; a page that passes says so too. */
    verdict: string;
    way: WayStep[];
    incoming: SheetLink[];
    incomingTotal: number;
    outgoing: SheetLink[];
    outgoingTotal: number;
    evidence: { name: string; detail: string }[];
    readAt: number | null;
    milliseconds: number | null;
    bytes: number | null;
    /** Links of the page that named a user or a password, which were removed. */
    credentialsRemoved: number;
}

/** Links listed of each side; the total is told beside. */
const MAX_LISTED = 300;

export function pageSheet(survey: MeasuredSurvey, node: number): PageSheet {
    const record = pageRecord(survey, node);
    const page = survey.pages[node] ?? null;
    const incoming = incomingLinks(survey, node);
    const outgoing = linksOfPage(survey, node)
        .filter((link) => link.kind === 'a')
        .map((link): SheetLink => {
            const target = nodeOfUrl(survey, String(link.target));
            return {
                node: target,
                url: String(link.target),
                title: target === null ? '' : (survey.pages[target]?.title ?? ''),
                anchor: String(link.anchor) || String(link.name),
                followed: link.followed === true,
                region: String(link.region),
                line: link.line as number | null,
                occurrences: Number(link.occurrences),
                block: String(link.block),
            };
        });
    return {
        node,
        record,
        gates: gateStates(survey, node),
        verdict: verdictOf(survey, node),
        way: wayTo(survey, node),
        incoming: incoming.slice(0, MAX_LISTED),
        incomingTotal: incoming.length,
        outgoing: outgoing.slice(0, MAX_LISTED),
        outgoingTotal: outgoing.length,
        evidence: evidenceOf(survey, node),
        readAt: page?.readAt ?? null,
        milliseconds: page?.milliseconds ?? null,
        bytes: page?.bytes ?? null,
        credentialsRemoved: page?.credentialsRemoved ?? 0,
    };
}

/** Node of a URL; urls are sorted by code unit, so this is a binary search. */
export function nodeOfUrl(survey: MeasuredSurvey, url: string): number | null {
    let low = 0;
    let high = survey.count - 1;
    while (low <= high) {
        const middle = (low + high) >> 1;
        const at = survey.urls[middle]!;
        if (at === url) return middle;
        if (at < url) low = middle + 1;
        else high = middle - 1;
    }
    return null;
}

function gateStates(survey: MeasuredSurvey, node: number): PageSheet['gates'] {
    const result = survey.gates[node]!;
    const page = survey.pages[node] ?? null;
    const stop = result.gate === null || result.gate === 'indexable' ? -1 : GATES.indexOf(result.gate);
    return GATES.map((gate, index) => {
        const failed = result.failed.find((item) => item.gate === gate);
        let state: GateState = failed ? (index === stop ? 'stop' : 'shut') : 'open';
        // A page that was never read passed nothing that reading decides.
        if (!failed && index >= 2 && page?.status == null) state = 'unknown';
        if (!failed && gate === 'robots' && page?.robotsAllowed == null) state = 'unknown';
        // A redirect has no document: type, noindex and canonical are questions to its target.
        if (!failed && index > 3 && stop >= 2 && stop <= 3) state = 'unknown';
        return { gate, state, reason: failed?.reason ?? '' };
    });
}

function verdictOf(survey: MeasuredSurvey, node: number): string {
    const { gate, reason } = survey.gates[node]!;
    const notRead = survey.pages[node]?.notRead;
    if (gate === 'indexable') return 'Passes all seven gates: it may be indexed.';
    if (gate !== null) return `Stops at ${gate}: ${reason}.`;
    if (notRead === 'limit') return 'Not read, because a limit of the survey was reached: its gates are not known.';
    if (notRead === 'stopped') return 'Not read, because the survey was stopped: its gates are not known.';
    return 'Not read yet: its gates are not known.';
}

function wayTo(survey: MeasuredSurvey, node: number): WayStep[] {
    const { depth, enteredBy } = survey.depths;
    return pathTo(survey.depths, node).map((at, index, path): WayStep => {
        const step: WayStep = {
            node: at,
            url: survey.urls[at]!,
            title: survey.pages[at]?.title ?? '',
            depth: depth[at]!,
            by: 'start',
            anchor: '',
            region: '',
            line: null,
        };
        const before = path[index - 1];
        if (before === undefined) return step;
        if (depth[before] === depth[at]) {
            step.by = survey.pages[before]?.redirectTo === survey.addressOf[at] ? 'redirect' : 'refresh';
            return step;
        }
        return { ...step, by: 'link', ...edgePlace(survey, enteredBy[at]!) };
    });
}

/** Anchor, region, block and line of the link behind an edge. */
function edgePlace(survey: MeasuredSurvey, edge: number) {
    const item = survey.rows.pageBlocks[survey.edges.pageBlock[edge]!]!;
    const block = survey.blockById.get(item.block);
    const at = survey.edges.link[edge]!;
    const link = (block && survey.listById.get(block.list))?.[at];
    const offset = survey.layoutById.get(item.layout)?.lines[at] ?? 0;
    return {
        anchor: link?.anchor || link?.name || '',
        region: block?.region ?? 'other',
        block: block?.name ?? '',
        line: item.line === 0 ? null : item.line + offset,
    };
}

/** Links from other pages, equal ones of one page together, most important pages (least depth) first. */
function incomingLinks(survey: MeasuredSurvey, node: number): SheetLink[] {
    const { incoming, edges } = survey;
    const links = new Map<string, SheetLink>();
    for (let slot = incoming.start[node]!; slot < incoming.start[node + 1]!; slot++) {
        const edge = incoming.edges[slot]!;
        const source = edges.from[edge]!;
        const place = edgePlace(survey, edge);
        const key = `${source} ${place.block} ${place.anchor}`;
        const known = links.get(key);
        if (known) {
            known.occurrences++;
            continue;
        }
        links.set(key, {
            node: source,
            url: survey.urls[source]!,
            title: survey.pages[source]?.title ?? '',
            followed: edges.followed[edge] === 1,
            occurrences: 1,
            ...place,
        });
    }
    const depthOf = (link: SheetLink): number => {
        const depth = link.node === null ? UNREACHED : survey.depths.depth[link.node]!;
        return depth === UNREACHED ? Infinity : depth;
    };
    return [...links.values()].sort((a, b) => depthOf(a) - depthOf(b) || (a.url < b.url ? -1 : 1));
}

function evidenceOf(survey: MeasuredSurvey, node: number): PageSheet['evidence'] {
    const address = survey.addressOf[node]!;
    const rows = survey.rows.evidence.filter((row) => row.address === address);
    return evidenceNames(survey.evidence[node]!).map((name) => {
        const row = rows.find((item) => item.evidence === name);
        if (name === 'link') {
            const pages = survey.incomingPages[node]!;
            return { name, detail: pages === 1 ? 'from 1 page' : `from ${pages.toLocaleString('en')} pages` };
        }
        if (name === 'manual') return { name, detail: 'typed in as the start page' };
        if (row)
            return {
                name,
                detail: `${row.source}${row.line === 0 ? '' : `, line ${row.line}`}${row.lastmod === '' ? '' : `, lastmod ${row.lastmod}`}`,
            };
        return { name, detail: '' };
    });
}
