/** What *Gates* shows: what may be indexed, what stops the rest, and where the site contradicts itself. */
import { countPages, type PageCounts } from '../areas/count-pages.ts';
import type { CheckView } from '../checks/check.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import { once } from '../kept.ts';
import type { Bits } from '../sets/bits.ts';
import { asAgentView, type AsAgentView } from './as-agent.ts';
import { contradictions, type Contradiction } from './contradictions.ts';

export interface GateRow {
    gate: Gate;
    /** Known URLs that stop there, of the current set too where there is one, and their standing in all. */
    urls: number;
    inSet: number | null;
    standing: number;
    /** Of them, in a sitemap. */
    listed: number;
}

export interface GatesView {
    counts: Pick<PageCounts, 'known' | 'indexable' | 'byGate' | 'gateUnknown'>;
    inSet: Pick<PageCounts, 'known' | 'indexable' | 'pages'> | null;
    rows: GateRow[];
    contradictions: Contradiction[];
    asAgent: AsAgentView;
}

/**
 * Needs all parts.
 * @param within the current set; null for all pages
 * @param asked product token it is judged for as well, empty for none; and our own
 */
export function gatesView(view: CheckView, within: Bits | null, asked: { agent: string; token: string }): GatesView {
    const { survey } = view;
    const { known, indexable, byGate, gateUnknown } = once(survey, 'page counts', [], () => countPages(survey));
    const ofSet = within && countPages(survey, within);
    const [gate, standing, sitemap] = [
        survey.numbers('gate'),
        survey.numbers('standing'),
        survey.numbers('sitemap_start'),
    ];
    const touched = new Float64Array(GATES.length);
    const listed = new Uint32Array(GATES.length);
    for (let node = 0; node < survey.count; node++) {
        const at = gate[node]!;
        if (at >= GATES.length) continue;
        // Of what is not ranked nobody knows a standing.
        if (standing[node]! > 0) touched[at]! += standing[node]!;
        if (sitemap[node] !== sitemap[node + 1]) listed[at]!++;
    }
    return {
        counts: { known, indexable, byGate, gateUnknown },
        inSet: ofSet && { known: ofSet.known, indexable: ofSet.indexable, pages: ofSet.pages },
        rows: GATES.map((name, at) => ({
            gate: name,
            urls: byGate[name] ?? 0,
            inSet: ofSet ? (ofSet.byGate[name] ?? 0) : null,
            standing: touched[at]!,
            listed: listed[at]!,
        })),
        contradictions: contradictions(view),
        asAgent: asAgentView(survey, view.robots, asked),
    };
}
