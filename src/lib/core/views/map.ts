/** What *Map* shows: the headline, the legend with its counts as sets, and the card of a page. */
import type { Bits } from '../sets/bits.ts';
import { gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { depthTable, type DepthTable } from '../map/depth-layout.ts';
import { fullestDepths, type FullDepths } from '../map/fullest-depths.ts';
import { FORM, mapFacts } from '../map/map-facts.ts';
import { ownTitle } from '../subjects/site-names.ts';

export interface MapView {
    /** Reached pages; the range of depths in which most of them lie, as few depths as hold half; the deepest. */
    reached: number;
    most: FullDepths | null;
    deepest: number;
    unreached: number;
    /** Known, and neither read nor closed. */
    unread: number;
    /** Pages of each form, with the set. */
    forms: { form: 'indexable' | 'stopped' | 'unreached' | 'unread'; pages: number; set: string }[];
    /** Pages of the current set, where it is not all. */
    within: number | null;
    /** The picture as a table. */
    table: DepthTable;
}

const SETS = {
    indexable: 'page and reached and indexable',
    stopped: 'page and reached and stopped',
    unreached: 'page and not reached',
    unread: 'gate is unknown',
} as const;

/**
 * O(nodes). Needs `core` and `measures`.
 * @param order sections in the site's order
 */
export function mapView(survey: PackedSurvey, within: Bits | null, order: readonly string[]): MapView {
    const facts = mapFacts(survey, order);
    const { form, depth } = facts;
    const counts = new Uint32Array(5);
    const byDepth: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        counts[form[node]!]!++;
        if (form[node]! <= FORM.stopped) byDepth[depth[node]!] = (byDepth[depth[node]!] ?? 0) + 1;
    }
    const depths = Array.from(byDepth, (pages) => pages ?? 0);
    const reached = counts[FORM.indexable]! + counts[FORM.stopped]!;
    return {
        reached,
        most: fullestDepths(depths, reached),
        deepest: depths.length - 1,
        unreached: counts[FORM.unreached]!,
        unread: counts[FORM.unread]!,
        forms: (['indexable', 'stopped', 'unreached', 'unread'] as const).map((own) => ({
            form: own,
            pages: counts[FORM[own]]!,
            set: SETS[own],
        })),
        within: within?.count() ?? null,
        table: depthTable(facts),
    };
}

export interface MapCard {
    node: number;
    url: string;
    title: string;
    gate: Gate | 'indexable' | null;
    /** Null where links do not lead. */
    depth: number | null;
    standing: number | null;
    words: number;
    waysIn: number;
    waysOut: number;
    /** Pages that are reached through it alone. */
    behind: number;
}

/** Needs `core`, `measures` and `text`. O(1) */
export function mapCard(survey: PackedSurvey, node: number): MapCard {
    const [depth, standing] = [survey.numbers('depth')[node]!, survey.numbers('standing')[node]!];
    return {
        node,
        url: survey.url(node),
        title: ownTitle(survey, node),
        gate: gateOf(survey.numbers('gate')[node]!),
        depth: depth === UNREACHED ? null : depth,
        standing: Number.isNaN(standing) ? null : standing,
        words: survey.numbers('words')[node]!,
        waysIn: survey.numbers('incoming_pages')[node]!,
        waysOut: survey.numbers('outgoing_links')[node]!,
        behind: Math.max(0, survey.numbers('load')[node]!),
    };
}
