/** Columns of the Pages table and of its exports: every field, and what is so or not of a page. */
import { UNREACHED } from '../graph/depth.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN } from '../columns/gate-facts.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Part } from '../columns/column.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import { valueAt, type Field, type Value } from './field.ts';
import type { Overlays } from '../columns/overlay-columns.ts';
import { fieldsOf } from './fields.ts';
import { once } from '../kept.ts';

export interface PageColumn {
    /** As exports call it: `incoming_pages`. */
    id: string;
    /** As the set language calls it, where it does. */
    name: string;
    what: string;
    kind: 'number' | 'date' | 'text' | 'choice' | 'yes';
    part?: Part | undefined;
    /** Place among the columns of `pages.csv`. */
    csv?: number | undefined;
    /** Laid over the survey, and changes without it. */
    isOverlay?: boolean;
    value: (node: number) => Value;
}

/** What is so or not of a page, and may be unknown: beside the fields, for tables and exports. */
const YES_COLUMNS: readonly {
    id: string;
    what: string;
    csv: number;
    value: (survey: PackedSurvey, node: number) => boolean | null;
}[] = [
    {
        id: 'indexable',
        what: 'Passes all seven gates.',
        csv: 7,
        value: (survey, node) => {
            const gate = survey.numbers('gate')[node];
            return gate === GATE_UNKNOWN ? null : gate === GATE_INDEXABLE;
        },
    },
    {
        id: 'robots_allowed',
        what: 'robots.txt opens it to our agent.',
        csv: 17,
        value: (survey, node) => {
            const allowed = survey.numbers('robots_allowed')[node];
            return allowed === -1 ? null : allowed === 1;
        },
    },
    {
        id: 'in_sitemap',
        what: 'A sitemap lists it.',
        csv: 18,
        value: (survey, node) =>
            survey.head.hasSitemap ? (survey.numbers('evidence')[node]! & evidenceBit('sitemap')) !== 0 : null,
    },
    {
        id: 'orphan',
        what: 'Was read and is not reached.',
        csv: 20,
        value: (survey, node) => {
            const kind = survey.numbers('orphan')[node];
            return kind === ORPHAN.unknown ? null : kind !== ORPHAN.no;
        },
    },
    {
        id: 'reached',
        what: 'Links lead there from the start page.',
        csv: 23,
        value: (survey, node) =>
            survey.numbers('depth')[node] !== UNREACHED ? true : survey.head.complete ? false : null,
    },
];

/** Columns of a survey by id: those of `pages.csv` first and in its order, then all others. */
export function pageColumns(survey: PackedSurvey, overlays: Overlays = {}): Map<string, PageColumn> {
    const columns: PageColumn[] = [
        ...fieldsOf(survey).map((field) => columnOf(survey, field, overlays)),
        ...YES_COLUMNS.map(({ id, what, csv, value }): PageColumn => ({
            id,
            name: id.replaceAll('_', ' '),
            what,
            kind: 'yes',
            csv,
            value: (node) => value(survey, node),
        })),
    ];
    // Sorting is stable: what has no place in the file keeps its order.
    columns.sort((a, b) => (a.csv ?? Infinity) - (b.csv ?? Infinity) || 0);
    return new Map(columns.map((column) => [column.id, column]));
}

/** Columns of `pages.csv`, in their order: only ever added at the end (`docs/formats.md`). */
export const PAGE_FILE_COLUMNS: readonly string[] = [...fieldsOf(null), ...YES_COLUMNS]
    .filter(({ csv }) => csv !== undefined)
    .sort((a, b) => a.csv! - b.csv!)
    .map(({ id }) => id);

function columnOf(survey: PackedSurvey, field: Field, overlays: Overlays): PageColumn {
    const { id, name, what, part, csv, kind } = field;
    const isOverlay = 'isOverlay' in field;
    return { id, name, what, kind, part, csv, isOverlay, value: (node) => valueAt(survey, field, node, overlays) };
}

/**
 * The place of each page in the order of a column: equal values have equal places, what is not known has -1. Made once
 * for each column. O(n log n).
 */
export function placesBy(survey: PackedSurvey, column: PageColumn): Int32Array {
    const make = (): Int32Array => {
        const { count } = survey;
        const places = new Int32Array(count).fill(-1);
        if (column.id === 'url') return places.map((_, node) => node);
        const values = Array.from({ length: count }, (_, node) => column.value(node));
        const known: number[] = [];
        for (let node = 0; node < count; node++) {
            const value = values[node];
            if (value !== null && value !== '' && value !== undefined) known.push(node);
        }
        if (column.kind === 'number' || column.kind === 'date' || column.kind === 'yes') {
            const numbers = Float64Array.from(known, (node) => Number(values[node]));
            const sorted = numbers.slice().sort();
            const placeOf = new Map<number, number>();
            for (const value of sorted) if (!placeOf.has(value)) placeOf.set(value, placeOf.size);
            known.forEach((node, index) => (places[node] = placeOf.get(numbers[index]!)!));
        } else {
            const words = [...new Set(known.map((node) => String(values[node])))].sort();
            const placeOf = new Map(words.map((word, place) => [word, place]));
            for (const node of known) places[node] = placeOf.get(String(values[node]))!;
        }
        return places;
    };
    // Overlays change without the survey.
    return column.isOverlay ? make() : once(survey, 'places', [column.id], make);
}

/**
 * Nodes in the order of their places; what is not known comes last either way, ties stay in the order of addresses.
 * O(nodes + places).
 */
export function inOrder(nodes: Uint32Array, places: Int32Array, descending: boolean): Uint32Array {
    let most = -1;
    for (let at = 0; at < nodes.length; at++) most = Math.max(most, places[nodes[at]!]!);
    const slots = most + 2;
    const start = new Uint32Array(slots + 1);
    const slotOf = (node: number): number => {
        const place = places[node]!;
        if (place === -1) return slots - 1;
        return descending ? most - place : place;
    };
    for (let at = 0; at < nodes.length; at++) start[slotOf(nodes[at]!) + 1]!++;
    for (let slot = 0; slot < slots; slot++) start[slot + 1]! += start[slot]!;
    const ordered = new Uint32Array(nodes.length);
    for (let at = 0; at < nodes.length; at++) ordered[start[slotOf(nodes[at]!)]!++] = nodes[at]!;
    return ordered;
}
