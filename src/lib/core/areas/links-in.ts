/** Links from other sites: which page of ours each lands on, and what is lost on the way. */
import { winningVariants } from './variants.ts';
import { reasonOf } from '../columns/reason-codes.ts';
import { NO_ADDRESS } from '../model/graph-model.ts';
import { type PackedSurvey } from '../packed/packed-survey.ts';
import type { ListRow } from '../evidence/evidence-lists.ts';

/** How a link from elsewhere arrives. */
export const LANDINGS = ['page', 'redirect', 'error', 'variant', 'closed', 'not read', 'unknown'] as const;
export type Landing = (typeof LANDINGS)[number];

export interface LinkIn {
    source: string;
    /** URL as the other site links it. */
    url: string;
    /** The survey knows that URL. */
    isKnown: boolean;
    landing: Landing;
    /** URL it ends at after redirects, or the variant that wins; empty where it ends nowhere. */
    ends: string;
    /** Redirects on the way. */
    hops: number;
}

const MAX_HOPS = 20;

/** Follows each link to where it lands. Needs `core` and `text`. O(links log nodes + nodes). */
export function linksIn(survey: PackedSurvey, rows: readonly ListRow[]): LinkIn[] {
    const winners = winningVariants(survey);
    const statuses = survey.numbers('status');
    const reasons = survey.numbers('not_read');
    const allowed = survey.numbers('robots_allowed');
    const redirects = survey.numbers('redirect');
    const failures = survey.numbers('failure');
    return rows.map(({ url, source }) => {
        const node = survey.nodeOf(url);
        if (node === -1) return { source, url, isKnown: false, landing: 'unknown', ends: '', hops: 0 };
        const { end, hops } = follow(survey, node);
        const of = (landing: Landing, ends: number): LinkIn => ({
            source,
            url,
            isKnown: true,
            landing,
            ends: ends === -1 ? '' : survey.url(ends),
            hops,
        });
        if (reasonOf(reasons[end]!) === 'robots' || allowed[end] === 0) return of('closed', end);
        const status = statuses[end]!;
        if (status === 0) return of(failures[end] !== 0 ? 'error' : 'not read', -1);
        if (redirects[end] !== NO_ADDRESS || !isOkStatus(status)) return of('error', -1);
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
function follow(survey: PackedSurvey, node: number): { end: number; hops: number } {
    const redirect = survey.numbers('redirect');
    let end = node;
    for (let hops = 0; hops < MAX_HOPS; hops++) {
        const next = redirect[end]!;
        if (next < 0 || next >= survey.count || next === node) return { end, hops };
        end = next;
    }
    return { end, hops: MAX_HOPS };
}
