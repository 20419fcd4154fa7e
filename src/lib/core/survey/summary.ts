/** The counts of a survey: what the Brief tells. */

/** Pages at one depth: those that answered 200 with HTML, and those of them that are indexable. */
export interface DepthBand {
    depth: number;
    pages: number;
    indexable: number;
}

/** URLs known by exactly the same evidence. */
export interface EvidenceGroup {
    evidence: string[];
    urls: number;
    /** Of these, pages that were read. */
    pages: number;
    orphans: number;
}

export interface SurveyCounts {
    /** Known internal URLs. */
    known: number;
    /** Of these, with a status. */
    read: number;
    /** Read pages: 200 and HTML. */
    pages: number;
    reached: number;
    /** Null in a partial survey. */
    orphans: { all: number; strict: number; adrift: number; indexable: number; inSitemap: number } | null;
    indexable: number;
    /** Known URLs whose gate cannot be told, because they were not read. */
    gateUnknown: number;
    byStatus: Record<string, number>;
    byGate: Record<string, number>;
    byNotRead: Record<string, number>;
    depths: DepthBand[];
    /** Reached by links, but no page to count: redirects, failures, other types, not read. */
    beside: { redirects: number; failures: number; otherTypes: number; notRead: number };
    meanDepth: number | null;
    evidence: EvidenceGroup[];
    orphanEvidence: EvidenceGroup[];
    links: { occurrences: number; distinctPairs: number; followed: number };
}
