/** The gates of every node, as numbers: where it stops, and every gate it fails. */
import { GATES, passGates, type Gate } from '../gates/gates.ts';
import type { SurveyFacts } from './survey-facts.ts';

/** Column `gate`: index into `GATES`, or one of these. */
export const GATE_INDEXABLE = GATES.length;
export const GATE_UNKNOWN = GATES.length + 1;

export function gateOf(code: number): Gate | 'indexable' | null {
    return code === GATE_INDEXABLE ? 'indexable' : (GATES[code] ?? null);
}

export interface GateFacts {
    gate: Uint8Array;
    /** A bit for each gate it fails, by its index. */
    failed: Uint8Array;
}

const known = new WeakMap<SurveyFacts, GateFacts>();

/** Reasons are told from the other columns when they are asked for. Made once; O(nodes). */
export function gatesOf(facts: SurveyFacts): GateFacts {
    const made = known.get(facts);
    if (made) return made;
    const { urls, pages, urlOf } = facts;
    const gates: GateFacts = { gate: new Uint8Array(urls.length), failed: new Uint8Array(urls.length) };
    for (let node = 0; node < urls.length; node++) {
        const page = pages[node] ?? null;
        const { gate, failed } = passGates({
            url: urls[node]!,
            internal: true,
            robotsAllowed: page?.robotsAllowed ?? null,
            robotsRule: page?.robotsRule ?? '',
            status: page?.status ?? null,
            failure: page?.failure ?? '',
            redirectTo: page?.redirectTo == null ? '' : urlOf(page.redirectTo),
            instantRefresh: page?.instantRefresh == null ? '' : urlOf(page.instantRefresh),
            contentType: page?.contentType ?? '',
            noindex: page?.noindex ?? false,
            noindexReason: page?.noindexReason ?? '',
            canonicals: (page?.canonicals ?? []).map(urlOf),
        });
        gates.gate[node] = gate === null ? GATE_UNKNOWN : gate === 'indexable' ? GATE_INDEXABLE : GATES.indexOf(gate);
        for (const item of failed) gates.failed[node]! |= 1 << GATES.indexOf(item.gate);
    }
    known.set(facts, gates);
    return gates;
}
