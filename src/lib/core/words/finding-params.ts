/** What the findings and edits of each check carry: from it the sentence is made (`checks.ts` here). */
import type { Problem } from '../problems/problem.ts';
import type { Gate } from '../gates/gates.ts';

/** Nothing beside what it is. */
export type None = Record<string, never>;

export interface FindingParams {
    'orphan-strict': None;
    'orphan-adrift': None;
    'thin-hold': None;
    'decline-only': None;
    'listing-only': None;
    'deeper-than-goal': { depth: number; goal: number };
    'dead-end': None;
    'link-to-error': { url: string; status: number };
    'link-to-redirect': { url: string };
    'link-to-closed': { url: string };
    'noindex-unseen': None;
    'sitemap-lists-stopped': { gate: Gate };
    'sitemap-lacks': None;
    'server-error': { status: number };
    'type-lies': { why: Problem | null };
    'body-trouble': { why: Problem | null };
    'canonical-several': { canonicals: number };
    'canonical-to-error': { url: string };
    'canonical-to-redirect': { url: string };
    'canonical-to-closed': { url: string };
    'canonical-to-noindexed': { url: string };
    'canonical-chain': { url: string };
    'canonical-loop': { url: string };
    'canonical-out': { url: string };
    'noindex-and-canonical': None;
    'link-to-noncanonical': { url: string };
    'redirect-chain': { hops: number; end: string };
    'redirect-loop': None;
    'redirect-to-error': { end: string; status: number };
    'redirect-to-closed': { url: string };
    'redirect-to-start': None;
    'same-h1': None;
    'title-long': { characters: number };
    'description-missing': None;
    'language-missing': None;
    'title-missing': None;
    'h1-missing': None;
    'few-words': { words: number };
    'same-title': None;
    'same-body': None;
    'same-text': None;
}

/** A link of a template, or links of no template. */
interface LinkEdit {
    url: string;
    /** Words of the template's link, empty for none; and of the template itself, null where there is none. */
    anchor: string;
    template: string | null;
}

export interface EditParams {
    'link-to-error': LinkEdit & { status: number };
    'link-to-redirect': LinkEdit & { end: string };
    'robots-closes-wanted': { why: Problem | null };
    'sitemap-lists-stopped': { gate: Gate };
    'sitemap-lacks': None;
    'orphan-strict': { section: string };
    'canonical-to-error': None;
    'canonical-to-redirect': None;
    'deeper-than-goal': { goal: number };
    'same-title': None;
}
