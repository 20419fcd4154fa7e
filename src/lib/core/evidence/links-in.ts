/** Links from other sites: which page of ours each lands on, and what is lost on the way. */
import { variantKey } from '../address/variants.ts';
import { isReadHtml, type MeasuredSurvey } from '../survey/measured-survey.ts';
import { nodeOfUrl } from '../survey/node-of-url.ts';
import type { ImportRow } from './imports.ts';

/** How a link from elsewhere arrives. */
export type Landing = 'page' | 'redirect' | 'error' | 'variant' | 'closed' | 'not read' | 'unknown';

export interface LinkIn {
    source: string;
    /** URL as the other site links it. */
    url: string;
    /** Its node; -1 where the survey does not know it. */
    node: number;
    landing: Landing;
    /** Node it ends at after redirects, or the variant that wins; -1 where it ends nowhere. */
    ends: number;
    /** Redirects on the way. */
    hops: number;
}

const MAX_HOPS = 20;

/** Follows each link to where it lands. O(links + nodes). */
export function linksIn(survey: MeasuredSurvey, rows: readonly ImportRow[]): LinkIn[] {
    const winners = winningVariants(survey);
    return rows.map(({ url, source }) => {
        const node = nodeOfUrl(survey, url) ?? -1;
        if (node === -1) return { source, url, node, landing: 'unknown', ends: -1, hops: 0 };
        const { end, hops } = follow(survey, node);
        const page = survey.pages[end] ?? null;
        const of = (landing: Landing, ends: number): LinkIn => ({ source, url, node, landing, ends, hops });
        if (page?.notRead === 'robots' || page?.robotsAllowed === false) return of('closed', end);
        if (page?.status == null) return of(page?.failure ? 'error' : 'not read', -1);
        if (page.status >= 400 || page.redirectTo !== null || !isOkStatus(page.status)) return of('error', -1);
        if (hops > 0) return of('redirect', end);
        const winner = winners.get(node);
        if (winner !== undefined && winner !== node) return of('variant', winner);
        return of('page', end);
    });
}

function isOkStatus(status: number): boolean {
    return status >= 200 && status < 300;
}

/** Where redirects lead from a node; a loop ends where it closes. */
function follow(survey: MeasuredSurvey, node: number): { end: number; hops: number } {
    let end = node;
    for (let hops = 0; hops < MAX_HOPS; hops++) {
        const target = survey.pages[end]?.redirectTo ?? null;
        const next = target === null ? -1 : (survey.nodeOf[target] ?? -1);
        if (next === -1 || next === node) return { end, hops };
        end = next;
    }
    return { end, hops: MAX_HOPS };
}

/** Of pages that differ only by the way their URL is written, the one that more links name; ties go to the start's host. */
export function winningVariants(survey: MeasuredSurvey): Map<number, number> {
    const groups = new Map<string, number[]>();
    for (let node = 0; node < survey.count; node++) {
        if (!isReadHtml(survey.pages[node] ?? null)) continue;
        const key = variantKey(survey.urls[node]!);
        const group = groups.get(key);
        if (group) group.push(node);
        else groups.set(key, [node]);
    }
    const home = new URL(survey.info.start).origin;
    const winners = new Map<number, number>();
    for (const group of groups.values()) {
        if (group.length < 2) continue;
        const isHome = (node: number): number => Number(survey.urls[node]!.startsWith(`${home}/`));
        const [winner] = [...group].sort(
            (a, b) => survey.incomingLinks[b]! - survey.incomingLinks[a]! || isHome(b) - isHome(a) || a - b,
        );
        for (const node of group) winners.set(node, winner!);
    }
    return winners;
}
