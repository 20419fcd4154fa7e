/** The counts of a survey: what `summary.json` holds and the Brief tells. */
import { EVIDENCE, evidenceNames } from '../evidence/evidence.ts';
import { GATES } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { isReadHtml, ORPHAN, type MeasuredSurvey } from './measured-survey.ts';

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

export function countSurvey(survey: MeasuredSurvey): SurveyCounts {
    const counts: SurveyCounts = {
        known: survey.count,
        read: 0,
        pages: 0,
        reached: 0,
        orphans: survey.complete ? { all: 0, strict: 0, adrift: 0, indexable: 0, inSitemap: 0 } : null,
        indexable: 0,
        gateUnknown: 0,
        byStatus: {},
        byGate: Object.fromEntries(['indexable', ...GATES].map((gate) => [gate, 0])),
        byNotRead: {},
        depths: [],
        beside: { redirects: 0, failures: 0, otherTypes: 0, notRead: 0 },
        meanDepth: null,
        evidence: [],
        orphanEvidence: [],
        links: { occurrences: survey.edges.from.length, distinctPairs: 0, followed: 0 },
    };
    const bands = new Map<number, DepthBand>();
    const groups = new Map<number, EvidenceGroup>();
    const orphanGroups = new Map<number, EvidenceGroup>();
    let depthSum = 0;
    const addTo = (into: Map<number, EvidenceGroup>, mask: number): EvidenceGroup => {
        let group = into.get(mask);
        if (!group) into.set(mask, (group = { evidence: evidenceNames(mask), urls: 0, pages: 0, orphans: 0 }));
        group.urls++;
        return group;
    };

    for (let node = 0; node < survey.count; node++) {
        const page = survey.pages[node] ?? null;
        const gate = survey.gates[node]!.gate;
        const depth = survey.depths.depth[node]!;
        const mask = survey.evidence[node]!;
        const isOrphan = survey.orphan[node] === ORPHAN.strict || survey.orphan[node] === ORPHAN.adrift;
        const readHtml = isReadHtml(page);
        const group = addTo(groups, mask);
        if (readHtml) group.pages++;
        if (page?.status != null) {
            counts.read++;
            counts.byStatus[page.status] = (counts.byStatus[page.status] ?? 0) + 1;
        }
        if (page && page.notRead !== '') counts.byNotRead[page.notRead] = (counts.byNotRead[page.notRead] ?? 0) + 1;
        if (gate === null) counts.gateUnknown++;
        else counts.byGate[gate]!++;
        if (gate === 'indexable') counts.indexable++;
        if (readHtml) {
            counts.pages++;
            if (depth !== UNREACHED) {
                counts.reached++;
                depthSum += depth;
                let band = bands.get(depth);
                if (!band) bands.set(depth, (band = { depth, pages: 0, indexable: 0 }));
                band.pages++;
                if (gate === 'indexable') band.indexable++;
            }
        } else if (depth !== UNREACHED) {
            if (page?.redirectTo != null) counts.beside.redirects++;
            else if (page?.status === 200) counts.beside.otherTypes++;
            else if (page && (page.status !== null || page.failure !== '')) counts.beside.failures++;
            else counts.beside.notRead++;
        }
        if (isOrphan && counts.orphans) {
            group.orphans++;
            addTo(orphanGroups, mask).orphans++;
            counts.orphans.all++;
            if (survey.orphan[node] === ORPHAN.strict) counts.orphans.strict++;
            else counts.orphans.adrift++;
            if (gate === 'indexable') counts.orphans.indexable++;
            if ((mask >> EVIDENCE.indexOf('sitemap')) & 1) counts.orphans.inSitemap++;
        }
    }
    const deepest = Math.max(-1, ...bands.keys());
    for (let depth = 0; depth <= deepest; depth++) {
        counts.depths.push(bands.get(depth) ?? { depth, pages: 0, indexable: 0 });
    }
    counts.meanDepth = counts.reached === 0 ? null : depthSum / counts.reached;
    counts.evidence = [...groups.values()].sort((a, b) => b.urls - a.urls);
    counts.orphanEvidence = [...orphanGroups.values()].sort((a, b) => b.urls - a.urls);
    for (let node = 0; node < survey.count; node++) {
        counts.links.distinctPairs += survey.incomingPages[node]!;
        counts.links.followed += survey.incomingFollowed[node]!;
    }
    return counts;
}
