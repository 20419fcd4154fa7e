/** The counts the areas tell, over a packed survey or over one set of its pages. */
import type { NumberName } from '../packed/column-names.ts';
import { EVIDENCE, evidenceNames } from '../evidence/evidence.ts';
import { GATES } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { NOT_SETTLED, reasonOf } from '../columns/reason-codes.ts';
import { NO_ADDRESS } from '../model/graph-model.ts';
import { type PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import { ORPHAN } from '../measures/orphans.ts';
import type { DepthBand, EvidenceGroup, SurveyCounts } from '../survey/summary.ts';

/** As in `summary.json`, but for the links. */
export type PageCounts = Omit<SurveyCounts, 'links'>;

/**
 * Needs the parts `core` and `text`. O(pages).
 * @param within counts these pages only
 * @param depth counted in place of the survey's own depths: along followed links alone, for one
 */
export function countPages(
    survey: PackedSurvey,
    within?: Bits,
    depth: ArrayLike<number> = survey.numbers('depth'),
): PageCounts {
    const of = (name: NumberName) => survey.numbers(name);
    const [status, gate, orphan, evidence, notRead] = [
        of('status'),
        of('gate'),
        of('orphan'),
        of('evidence'),
        of('not_read'),
    ];
    const [isPage, redirect, failure] = [of('page'), of('redirect'), of('failure')];
    const counts: PageCounts = {
        known: 0,
        read: 0,
        pages: 0,
        reached: 0,
        orphans: survey.head.complete ? { all: 0, strict: 0, adrift: 0, indexable: 0, inSitemap: 0 } : null,
        indexable: 0,
        gateUnknown: 0,
        byStatus: {},
        byGate: Object.fromEntries(['indexable', ...GATES].map((name) => [name, 0])),
        byNotRead: {},
        depths: [],
        beside: { redirects: 0, failures: 0, otherTypes: 0, notRead: 0 },
        meanDepth: null,
        evidence: [],
        orphanEvidence: [],
    };
    const bands: DepthBand[] = [];
    const groups = new Map<number, EvidenceGroup>();
    const orphanGroups = new Map<number, EvidenceGroup>();
    const groupOf = (into: Map<number, EvidenceGroup>, mask: number): EvidenceGroup => {
        let group = into.get(mask);
        if (!group) into.set(mask, (group = { evidence: evidenceNames(mask), urls: 0, pages: 0, orphans: 0 }));
        group.urls++;
        return group;
    };
    let depthSum = 0;
    for (let node = 0; node < survey.count; node++) {
        if (within && !within.has(node)) continue;
        counts.known++;
        const own = status[node]!;
        const wasReached = depth[node] !== UNREACHED;
        const passes = gateOf(gate[node]!);
        const group = groupOf(groups, evidence[node]!);
        if (own !== 0) {
            counts.read++;
            counts.byStatus[own] = (counts.byStatus[own] ?? 0) + 1;
        }
        const reason = notRead[node] === NOT_SETTLED ? '' : reasonOf(notRead[node]!);
        if (reason) counts.byNotRead[reason] = (counts.byNotRead[reason] ?? 0) + 1;
        if (passes === null) counts.gateUnknown++;
        else counts.byGate[passes]!++;
        if (passes === 'indexable') counts.indexable++;
        if (isPage[node] === 1) {
            counts.pages++;
            group.pages++;
            if (wasReached) {
                counts.reached++;
                depthSum += depth[node]!;
                while (bands.length <= depth[node]!) bands.push({ depth: bands.length, pages: 0, indexable: 0 });
                const band = bands[depth[node]!]!;
                band.pages++;
                if (passes === 'indexable') band.indexable++;
            }
        } else if (wasReached) {
            if (redirect[node] !== NO_ADDRESS) counts.beside.redirects++;
            else if (own === 200) counts.beside.otherTypes++;
            else if (own !== 0 || failure[node] !== 0) counts.beside.failures++;
            else counts.beside.notRead++;
        }
        const kind = orphan[node]!;
        if (counts.orphans && (kind === ORPHAN.strict || kind === ORPHAN.adrift)) {
            group.orphans++;
            groupOf(orphanGroups, evidence[node]!).orphans++;
            counts.orphans.all++;
            if (kind === ORPHAN.strict) counts.orphans.strict++;
            else counts.orphans.adrift++;
            if (passes === 'indexable') counts.orphans.indexable++;
            if ((evidence[node]! >> EVIDENCE.indexOf('sitemap')) & 1) counts.orphans.inSitemap++;
        }
    }
    counts.depths = bands;
    counts.meanDepth = counts.reached === 0 ? null : depthSum / counts.reached;
    counts.evidence = [...groups.values()].sort((a, b) => b.urls - a.urls);
    counts.orphanEvidence = [...orphanGroups.values()].sort((a, b) => b.urls - a.urls);
    return counts;
}
