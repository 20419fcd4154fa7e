/** What the map draws of each URL, as columns: where it belongs, and in which form it is drawn. */
import { GATE_INDEXABLE, gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/**
 * Forms. `aside`: read, and no page of the site (redirects, errors, files), or closed; `unread`: known, and nothing else
 * is known of it.
 */
export const MAP_FORMS = ['indexable', 'stopped', 'unreached', 'unread', 'aside'] as const;
export type MapForm = (typeof MAP_FORMS)[number];
export const FORM = { indexable: 0, stopped: 1, unreached: 2, unread: 3, aside: 4 } as const satisfies Record<
    MapForm,
    number
>;

export interface MapFacts {
    count: number;
    form: Uint8Array;
    /** Clicks from the start; -1 where links do not lead. */
    depth: Int32Array;
    /** Place of its section among `sections`. */
    section: Uint32Array;
    sections: readonly string[];
    standing: Float64Array;
    /** Pages that are reached through it alone. */
    load: Uint32Array;
    /** Number of the gate it stops at, `GATE_INDEXABLE`, or beyond where nothing is known. */
    gate: Uint8Array;
    /** Number of its island, -1 for none. */
    island: Int32Array;
    /** 1 for pages that the page of their folder does not link to. */
    apart: Uint8Array;
}

/**
 * O(nodes). Needs `core` and `measures`.
 * @param order sections in the site's order; those it does not name come behind
 */
export function mapFacts(survey: PackedSurvey, order: readonly string[]): MapFacts {
    const { count } = survey;
    const [isPage, depth, gate] = [survey.numbers('page'), survey.numbers('depth'), survey.numbers('gate')];
    const words = survey.texts('section_words').all();
    const sections = [...new Set([...order, ...words])];
    const placeOf = new Map(sections.map((section, place) => [section, place]));
    const places = words.map((word) => placeOf.get(word)!);
    const form = new Uint8Array(count);
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1) form[node] = gateOf(gate[node]!) === null ? FORM.unread : FORM.aside;
        else if (depth[node] === UNREACHED) form[node] = FORM.unreached;
        else form[node] = gate[node] === GATE_INDEXABLE ? FORM.indexable : FORM.stopped;
    }
    const codes = survey.numbers('section');
    return {
        count,
        form,
        depth: Int32Array.from(depth),
        section: Uint32Array.from({ length: count }, (_, node) => places[codes[node]!]!),
        sections,
        standing: Float64Array.from(survey.numbers('standing'), (value) => (Number.isNaN(value) ? 0 : value)),
        load: Uint32Array.from(survey.numbers('load'), (value) => Math.max(0, value)),
        gate: Uint8Array.from(gate),
        island: Int32Array.from(survey.numbers('island')),
        apart: Uint8Array.from(survey.numbers('apart'), (kind) => Number(kind === 1)),
    };
}

/** The gate of a number of `gate`; null for none. */
export function gateAt(code: number): Gate | null {
    const gate = gateOf(code);
    return gate === 'indexable' ? null : gate;
}
