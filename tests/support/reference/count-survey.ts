/** The counts of a survey, from the measured rows: what the packed survey is held against. */
import { EVIDENCE, evidenceNames } from '$lib/core/evidence/evidence.ts';
import { GATES } from '$lib/core/gates/gates.ts';
import { UNREACHED } from '$lib/core/graph/depth.ts';
import { isReadHtml } from '$lib/core/survey/page-kind.ts';
import { ORPHAN } from '$lib/core/measures/orphans.ts';
import type { DepthBand, EvidenceGroup, SurveyCounts } from '$lib/core/survey/summary.ts';
import type { MeasuredSurvey } from './measured-survey.ts';

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
