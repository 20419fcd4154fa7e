/** Columns of the Pages table and of its exports: every field, and what is so or not of a page. */
import { UNREACHED } from '../graph/depth.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN } from '../packed/codes.ts';
import type { PackedSurvey, Part } from '../packed/packed-survey.ts';
import { ORPHAN } from '../survey/page-kind.ts';
import { PAGE_COLUMNS } from '../survey/page-record.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import { fieldsOf, PRIORITY, valueAt, type Field, type Value } from './fields.ts';
import { once } from '../kept.ts';

export interface PageColumn {
    /** As exports call it: `incoming_pages`. */
    id: string;
    /** As the set language calls it, where it does. */
    name: string;
    what: string;
    kind: 'number' | 'date' | 'text' | 'choice' | 'yes';
    part?: Part | undefined;
    value: (node: number) => Value;
}

/** What a column needs beside the survey. */
export interface Outer {
    priority?: Uint8Array | undefined;
}

/** Columns of a survey by id: those of `pages.csv` first and in its order, then all others. */
export function pageColumns(survey: PackedSurvey, outer: Outer = {}): Map<string, PageColumn> {
    const columns = new Map<string, PageColumn>();
    const add = (column: PageColumn): void => {
        columns.set(column.id, column);
    };
    for (const field of [...fieldsOf(survey), PRIORITY]) add(columnOf(survey, field, outer));
    const yes = (id: string, what: string, value: (node: number) => boolean | null): void =>
        add({ id, name: id.replaceAll('_', ' '), what, kind: 'yes', value });
    const of = (name: string) => survey.numbers(name);
    yes('indexable', 'Passes all seven gates.', (node) =>
        of('gate')[node] === GATE_UNKNOWN ? null : of('gate')[node] === GATE_INDEXABLE,
    );
    yes('reached', 'Links lead there from the start page.', (node) =>
        of('depth')[node] !== UNREACHED ? true : survey.head.complete ? false : null,
    );
    yes('orphan', 'Was read and is not reached.', (node) =>
        of('orphan')[node] === ORPHAN.unknown ? null : of('orphan')[node] !== ORPHAN.no,
    );
    yes('robots_allowed', 'robots.txt opens it to our agent.', (node) =>
        of('robots_allowed')[node] === -1 ? null : of('robots_allowed')[node] === 1,
    );
    yes('in_sitemap', 'A sitemap lists it.', (node) =>
        survey.head.hasSitemap ? (of('evidence')[node]! & evidenceBit('sitemap')) !== 0 : null,
    );
    const ordered = new Map<string, PageColumn>();
    for (const id of PAGE_COLUMNS) if (columns.has(id)) ordered.set(id, columns.get(id)!);
    for (const [id, column] of columns) if (!ordered.has(id)) ordered.set(id, column);
    return ordered;
}

function columnOf(survey: PackedSurvey, field: Field, { priority }: Outer): PageColumn {
    const { name, what, part } = field;
    const id = field.id ?? name.replaceAll(' ', '_');
    const value =
        field === PRIORITY
            ? (node: number) => priority?.[node] || null
            : (node: number) => valueAt(survey, field, node);
    // Nothing is known of the type, the canonical and the like of what was not read; what a link alone tells is known.
    return { id, name, what, kind: field.kind, part, value: field.kind === 'text' ? textValue(survey, field) : value };
}

/** An empty text is a text; only null is "not known". */
function textValue(survey: PackedSurvey, field: Extract<Field, { kind: 'text' }>): (node: number) => Value {
    return (node) => field.texts(survey)[node] ?? null;
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
    // Priorities change without the survey.
    return column.id === PRIORITY.name ? make() : once(survey, 'places', [column.id], make);
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
