/** How a URL is known. A set of evidence is a bit mask; names are written in this order everywhere. */
export const EVIDENCE = [
    'link',
    'sitemap',
    'robots',
    'redirect',
    'canonical',
    'hreflang',
    'log',
    'visits',
    'search',
    'external',
    'manual',
] as const;
export type Evidence = (typeof EVIDENCE)[number];

export function evidenceBit(evidence: Evidence): number {
    return 1 << EVIDENCE.indexOf(evidence);
}

/** Names of a mask, in the fixed order. */
export function evidenceNames(mask: number): Evidence[] {
    return EVIDENCE.filter((_, index) => (mask >> index) & 1);
}
