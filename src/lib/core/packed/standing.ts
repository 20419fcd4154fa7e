/** Standing and leak (`docs/measures.md`, "Weight"): internal PageRank over pages that may be read, by followed links. */
import { LINK_KINDS } from '../page/links.ts';
import { distinctLinks, reversed, type Links } from '../graph/distinct.ts';
import { degrees, pageRank } from '../graph/page-rank.ts';
import { NOT_READ_REASONS, type NotRead } from '../survey/survey-rows.ts';
import { landings, linkGraphOf, pageLinks } from './link-graph.ts';
import type { PackedSurvey } from './packed-survey.ts';

/** Reasons that are failures of the target, not choices of the survey. */
const FAILURES: NotRead[] = ['no-such-host', 'refused', 'timeout', 'tls', 'lost', 'broken-reply'];

const A = LINK_KINDS.indexOf('a');

export interface Standing {
    /** PageRank times the number of ranked pages; NaN for URLs that are not ranked. */
    standing: Float64Array;
    /** Standing times the share of the page's followed internal targets that are errors or closed; NaN likewise. */
    leak: Float64Array;
    /** Leak of all pages as a share of all standing. */
    siteLeak: number;
    sweeps: number;
}

export interface RankedGraph {
    /** Node of each ranked page, ascending. */
    nodes: Uint32Array;
    /** Number of a node among the ranked, or -1. */
    numberOf: Int32Array;
    /** Distinct followed links after landing, over numbers of ranked pages. */
    out: Links;
}

/**
 * The pages that are ranked: answered 200 with HTML and not closed by robots; and their links.
 * @param ownOnly leaves out links of shared blocks: what the text gives, without the menus
 */
export function rankedGraph(survey: PackedSurvey, ownOnly = false): RankedGraph {
    const isPage = survey.numbers('page');
    const allowed = survey.numbers('robots_allowed');
    const numberOf = new Int32Array(survey.count).fill(-1);
    const nodes: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1 || allowed[node] === 0) continue;
        numberOf[node] = nodes.length;
        nodes.push(node);
    }
    const landing = landings(survey);
    const all = pageLinks(survey, {
        followed: true,
        ownOnly,
        landing: landing.map((end) => (end !== -1 && numberOf[end] !== -1 ? end : -1)),
        from: (node) => numberOf[node] !== -1,
    });
    const start = new Uint32Array(nodes.length + 1);
    const targets = new Uint32Array(all.targets.length);
    let length = 0;
    nodes.forEach((node, number) => {
        for (let slot = all.start[node]!; slot < all.start[node + 1]!; slot++) {
            targets[length++] = numberOf[all.targets[slot]!]!;
        }
        start[number + 1] = length;
    });
    return {
        nodes: Uint32Array.from(nodes),
        numberOf,
        out: distinctLinks(nodes.length, start, targets.slice(0, length)),
    };
}

/** O(sweeps x (pages + links)). */
export function standingOf(survey: PackedSurvey, ownOnly = false): Standing {
    const { nodes, out } = rankedGraph(survey, ownOnly);
    const { rank, sweeps } = pageRank(reversed(out), degrees(out));
    const standing = new Float64Array(survey.count).fill(NaN);
    nodes.forEach((node, number) => (standing[node] = rank[number]! * nodes.length));
    const share = leakShares(survey);
    const leak = new Float64Array(survey.count).fill(NaN);
    let leaked = 0;
    for (const node of nodes) {
        leak[node] = standing[node]! * share[node]!;
        leaked += leak[node]!;
    }
    return { standing, leak, siteLeak: nodes.length === 0 ? 0 : leaked / nodes.length, sweeps };
}

/** 1 for URLs where weight is lost: errors, failures, and what robots.txt closes. */
export function lostUrls(survey: PackedSurvey): Uint8Array {
    const status = survey.numbers('status');
    const allowed = survey.numbers('robots_allowed');
    const notRead = survey.numbers('not_read');
    const failed = new Set(FAILURES.map((reason) => 1 + NOT_READ_REASONS.indexOf(reason)));
    return Uint8Array.from({ length: survey.count }, (_, node) =>
        allowed[node] === 0 || status[node]! >= 400 || (status[node] === 0 && failed.has(notRead[node]!)) ? 1 : 0,
    );
}

/**
 * Tells for each page whose links count where its followed links end: distinct internal URLs, after landing. The array is
 * used again for the next page. O(link occurrences).
 */
export function eachEnds(survey: PackedSurvey, visit: (node: number, ends: readonly number[]) => void): void {
    const { pageStart, pageBlocks, blockList, listStart, target, kind, follow, isPage, nofollow } = linkGraphOf(survey);
    const { count } = survey;
    const landing = landings(survey);
    const mark = new Int32Array(count).fill(-1);
    const ends: number[] = [];
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1 || nofollow[node] === 1) continue;
        ends.length = 0;
        mark[node] = node;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || follow[link] === 0 || to < 0 || to >= count) continue;
                // Redirects that go round, or out of the site, have no end in it: the link counts for nothing.
                const end = landing[to]!;
                if (end === -1 || mark[end] === node) continue;
                mark[end] = node;
                ends.push(end);
            }
        }
        visit(node, ends);
    }
}

/** For each page, the share of its followed distinct internal targets, after landing, that are errors or closed. */
function leakShares(survey: PackedSurvey): Float64Array {
    const lost = lostUrls(survey);
    const shares = new Float64Array(survey.count);
    eachEnds(survey, (node, ends) => {
        let gone = 0;
        for (const end of ends) gone += lost[end]!;
        shares[node] = ends.length === 0 ? 0 : gone / ends.length;
    });
    return shares;
}
