/** What the findings and edits of each check carry: from it the sentence is made (`checks.ts` here). */
import type { Problem } from '../problems/problem.ts';
import type { VariantKind } from '../address/variants.ts';
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
    'near-text': None;
    'link-to-noindexed': { url: string };
    'link-scheme-down': { url: string };
    'nofollow-inside': { url: string };
    'action-open': { url: string };
    'mixed-follow': { followed: number; declined: number };
    'many-own-links': { links: number };
    'redirect-out': { end: string };
    'redirect-unusable': { status: number };
    'refresh-instant': { end: string };
    'weak-choke': { pages: number };
    'stopped-but-wanted': { gate: Gate };
    'noindex-section': { noindexed: number; pages: number };
    'directive-conflict': { both: 'index' | 'follow' };
    'sitemap-lists-orphan': None;
    /** The phrase its title or h1 holds; null where its text is that of what is not there. */
    'soft-404': { says: string | null };
    'link-malformed': { written: string };
    'link-to-private': { url: string };
    'fragment-missing': { url: string; fragment: string };
    'external-error': { url: string; status: number };
    'resource-error': { url: string; status: number };
    'resource-insecure': { url: string };
    frame: { url: string };
    'title-several': { titles: number };
    'h1-several': { h1s: number };
    /** `tag` ended the head; `lost` is the first element that stands behind it. */
    'head-broken': { tag: string; lost: string };
    'directive-in-body': { says: string };
    'directive-unknown': { token: string };
    'canonical-ignored': { why: Problem };
    'structured-data-broken': { why: Problem };
    'refresh-delayed': { end: string };
    /** `likeness` in hundredths. */
    'canonical-unlike': { url: string; likeness: number };
    'canonical-of-sequence': { url: string };
    'variant-doubles': { url: string; by: VariantKind };
    'hreflang-code': { code: string };
    /** `others`: further alternates that do not name it back. */
    'hreflang-no-return': { url: string; code: string; others: number };
    'hreflang-to-stopped': { url: string; code: string; gate: Gate };
    'hreflang-several': { code: string };
    'hreflang-no-self': None;
    'language-differs': { says: string; named: string };
    'sequence-one-way': { url: string; as: 'next' | 'previous' };
    'sequence-broken': { url: string; gate: Gate };
    'anchor-empty': { url: string };
    'image-without-alt': { url: string };
    'name-only': { url: string; name: string };
    'anchor-generic': { url: string; anchor: string };
    'anchor-url': { anchor: string };
    'anchor-long': { url: string; characters: number; isCard: boolean };
    'anchor-off-subject': { url: string; anchor: string };
    /** Its first such link, how many pages those words lead to, and how many such links it has. */
    'same-words': { anchor: string; url: string; other: string; pages: number; links: number };
    'many-names': { names: number };
    'self-link': { anchor: string };
    'twin-links': { url: string };
    'external-new': { url: string; host: string };
    'external-hidden': { url: string };
    'noscript-only': { url: string };
    'lost-section': { folder: string; urls: number };
    'design-apart': { pages: number };
    'trap-family': { pattern: string; read: number };
    'intended-parts': { as: 'not reached' | 'not linked from its parent' | 'deeper' };
}

/** What is found of a file of the site, and of none of its pages. */
export interface FileParams {
    'robots-unreachable': { why: Problem | null };
    'robots-html': None;
    'robots-too-large': None;
    'robots-redirect': { to: string };
    /** How many scripts and styles of indexable pages it closes. */
    'robots-closes-resources': { rule: string; resources: number };
    'robots-line-unread': { text: string };
    'robots-no-slash': { rule: string; meant: string };
    'robots-rule-idle': { rule: string };
    'robots-rule-hidden': { rule: string; by: number };
    'robots-noindex-line': { text: string };
    'robots-closes-wanted': { rule: string; pages: number };
    'robots-sitemap-dead': { named: string };
    'robots-variants-differ': { other: string };
    'errors-answer-200': None;
    'sitemap-none': None;
    'sitemap-not-announced': None;
    'sitemap-unreadable': { why: Problem };
    'sitemap-malformed': { why: Problem };
    'sitemap-too-large': { why: Problem };
    'sitemap-nested-index': { why: Problem };
    'sitemap-entry-invalid': { why: Problem };
    'sitemap-place': { url: string };
    'sitemap-double': { url: string; file: string; line: number };
    'sitemap-lastmod': { lastmod: string; entries: number };
    'sitemap-values': { why: Problem };
    /** What the sitemap lists for the language, and what the page names. */
    'sitemap-alternates': { url: string; code: string; listed: string; named: string };
    /** The form that is meant, and what showed that both answer. */
    'host-variants-open': { other: string; by: 'door' | 'pages' };
}

/** How bad something is: wrong, likely to cost something, worth knowing. */
export type Severity = 'fault' | 'risk' | 'remark';
export const SEVERITIES: readonly Severity[] = ['fault', 'risk', 'remark'];

/** Every check that finds something of pages or links, so that a set can be told from a slip of the pen. */
const FINDING_IDS: Record<keyof FindingParams, true> = {
    'orphan-strict': true,
    'orphan-adrift': true,
    'thin-hold': true,
    'decline-only': true,
    'listing-only': true,
    'deeper-than-goal': true,
    'dead-end': true,
    'link-to-error': true,
    'link-to-redirect': true,
    'link-to-closed': true,
    'noindex-unseen': true,
    'sitemap-lists-stopped': true,
    'sitemap-lacks': true,
    'server-error': true,
    'type-lies': true,
    'body-trouble': true,
    'canonical-several': true,
    'canonical-to-error': true,
    'canonical-to-redirect': true,
    'canonical-to-closed': true,
    'canonical-to-noindexed': true,
    'canonical-chain': true,
    'canonical-loop': true,
    'canonical-out': true,
    'noindex-and-canonical': true,
    'link-to-noncanonical': true,
    'redirect-chain': true,
    'redirect-loop': true,
    'redirect-to-error': true,
    'redirect-to-closed': true,
    'redirect-to-start': true,
    'same-h1': true,
    'title-long': true,
    'description-missing': true,
    'language-missing': true,
    'title-missing': true,
    'h1-missing': true,
    'few-words': true,
    'same-title': true,
    'same-body': true,
    'same-text': true,
    'link-to-noindexed': true,
    'link-scheme-down': true,
    'nofollow-inside': true,
    'action-open': true,
    'mixed-follow': true,
    'many-own-links': true,
    'redirect-out': true,
    'redirect-unusable': true,
    'refresh-instant': true,
    'weak-choke': true,
    'near-text': true,
    'stopped-but-wanted': true,
    'noindex-section': true,
    'directive-conflict': true,
    'sitemap-lists-orphan': true,
    'soft-404': true,
    'link-malformed': true,
    'link-to-private': true,
    'fragment-missing': true,
    'external-error': true,
    'resource-error': true,
    'resource-insecure': true,
    frame: true,
    'title-several': true,
    'h1-several': true,
    'head-broken': true,
    'directive-in-body': true,
    'directive-unknown': true,
    'canonical-ignored': true,
    'structured-data-broken': true,
    'refresh-delayed': true,
    'canonical-unlike': true,
    'canonical-of-sequence': true,
    'variant-doubles': true,
    'hreflang-code': true,
    'hreflang-no-return': true,
    'hreflang-to-stopped': true,
    'hreflang-several': true,
    'hreflang-no-self': true,
    'language-differs': true,
    'sequence-one-way': true,
    'sequence-broken': true,
    'anchor-empty': true,
    'image-without-alt': true,
    'name-only': true,
    'anchor-generic': true,
    'anchor-url': true,
    'anchor-long': true,
    'anchor-off-subject': true,
    'same-words': true,
    'many-names': true,
    'self-link': true,
    'twin-links': true,
    'external-new': true,
    'external-hidden': true,
    'noscript-only': true,
    'lost-section': true,
    'design-apart': true,
    'trap-family': true,
    'intended-parts': true,
};

export function isFindingId(id: string): id is keyof FindingParams {
    return Object.hasOwn(FINDING_IDS, id);
}
