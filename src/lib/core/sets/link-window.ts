/**
 * A window of the Links table in any order, without making a row for each of millions of links: rows are counted by their
 * place in the order, then only those in the window are picked up.
 */
import { TO_SELF } from '../model/graph-model.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { type PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from './bits.ts';
import {
    chooseLinks,
    linkPlaces,
    linkRows,
    MARKUP_COLUMNS,
    type LinkChoice,
    type LinkPlaces,
    type LinkQuery,
    type LinkRows,
    type LinkTableColumn,
} from './link-rows.ts';

/** Links in more than one slot. */
const SEVERAL = -2;

export interface LinkOrder {
    column: LinkTableColumn;
    descending: boolean;
}

/**
 * @param from first row wanted, from 0
 * @param wanted most rows
 * @returns rows of the window in order, and how many there are in all; what is not known comes last either way, ties come
 * page by page as they stand. O(links + page blocks + rows of the places the window touches).
 */
export function linkWindowRows(
    survey: PackedSurvey,
    set: Bits,
    query: LinkQuery,
    order: LinkOrder,
    from: number,
    wanted: number,
): { total: number; rows: LinkRows } {
    // What stands in the markup only is not to order by: then, as by default, in the order of pages.
    const places = linkPlaces(survey, MARKUP_COLUMNS.includes(order.column) ? 'source' : order.column);
    if (query.only) return windowOfFew(linkRows(survey, set, query), survey, places, order.descending, from, wanted);
    const choice = chooseLinks(survey, set, query);
    const slots = places.most + 1;
    const slotAt = (key: number): number => {
        const place = places.place[key]!;
        return place === -1 ? slots - 1 : order.descending ? places.most - 1 - place : place;
    };
    const counts = countBySlot(survey, choice, places, slotAt, slots);
    // First row of each slot; the last entry is the number of all.
    const start = new Float64Array(slots + 1);
    for (let slot = 0; slot < slots; slot++) start[slot + 1] = start[slot]! + counts[slot]!;
    const total = start[slots]!;
    const end = Math.min(from + wanted, total);
    const size = Math.max(0, end - from);
    const rows: LinkRows = {
        source: new Uint32Array(size),
        pageBlock: new Uint32Array(size),
        link: new Uint32Array(size),
    };
    if (size === 0) return { total, rows };

    /** 1 for slots that touch the window. */
    const isNear = new Uint8Array(slots);
    for (let slot = 0; slot < slots; slot++) if (start[slot]! < end && start[slot + 1]! > from) isNear[slot] = 1;
    const { graph } = choice;
    const isLink = places.of === 'link';
    // Lists without a link near the window are passed over.
    const isListNear = new Uint8Array(graph.listStart.length - 1);
    /** The slot of all links of a list near the window, where it is one and none leads to the page itself; else -1. */
    const oneSlot = new Int32Array(isListNear.length).fill(-1);
    /** And how many they are. */
    const inSlot = new Uint32Array(isListNear.length);
    if (isLink) {
        for (let list = 0; list < isListNear.length; list++) {
            let one = -1;
            const last = graph.listStart[list + 1]!;
            for (let link = graph.listStart[list]!; link < last; link++) {
                if (choice.fits[link] === 0) continue;
                const slot = slotAt(link);
                if (isNear[slot] === 0) continue;
                isListNear[list] = 1;
                one = (one === -1 || one === slot) && graph.target[link] !== TO_SELF ? slot : SEVERAL;
                inSlot[list]!++;
            }
            if (one !== SEVERAL) oneSlot[list] = one;
        }
    } else isListNear.fill(1);
    let found = 0;
    for (let node = 0; node < survey.count && found < size; node++) {
        if (!choice.wantsPage(node)) continue;
        if (places.of === 'source' && isNear[slotAt(node)] === 0) continue;
        for (let at = graph.pageStart[node]!; at < graph.pageStart[node + 1]!; at++) {
            const block = graph.pageBlocks[at]!;
            const list = graph.blockList[block]!;
            if (isListNear[list] === 0 || choice.perList[list]! + choice.selfPerList[list]! === 0) continue;
            if (!choice.wantsBlock(block) || (places.of === 'block' && isNear[slotAt(block)] === 0)) continue;
            // Rows that all come before the window are counted, not gone through.
            const only = isLink ? oneSlot[list]! : slotAt(places.of === 'block' ? block : node);
            if (only !== -1) {
                const rowsHere = isLink
                    ? inSlot[list]!
                    : choice.perList[list]! + (choice.wantsSelf(node) ? choice.selfPerList[list]! : 0);
                if (start[only]! + rowsHere <= from) {
                    start[only]! += rowsHere;
                    continue;
                }
            }
            for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
                if (choice.fits[link] === 0 || (graph.target[link] === TO_SELF && !choice.wantsSelf(node))) continue;
                const slot = slotAt(isLink ? link : places.of === 'block' ? block : node);
                if (isNear[slot] === 0) continue;
                const row = start[slot]!++ - from;
                if (row < 0 || row >= size) continue;
                rows.source[row] = node;
                rows.pageBlock[row] = at;
                rows.link[row] = link;
                found++;
            }
        }
    }
    return { total, rows };
}

/** A window of links that are asked for one by one: all of their rows are made, and put in order. O(links + rows). */
function windowOfFew(
    all: LinkRows,
    survey: PackedSurvey,
    places: LinkPlaces,
    isDescending: boolean,
    from: number,
    wanted: number,
): { total: number; rows: LinkRows } {
    const { pageBlocks } = linkGraphOf(survey);
    const total = all.link.length;
    const keyOf = (row: number): number =>
        places.of === 'source'
            ? all.source[row]!
            : places.of === 'block'
              ? pageBlocks[all.pageBlock[row]!]!
              : all.link[row]!;
    const slotOf = (row: number): number => {
        const place = places.place[keyOf(row)]!;
        return place === -1 ? places.most : isDescending ? places.most - 1 - place : place;
    };
    // A counting sort: rows that are equal stay page by page.
    const next = new Uint32Array(places.most + 2);
    for (let row = 0; row < total; row++) next[slotOf(row) + 1]!++;
    for (let slot = 1; slot < next.length; slot++) next[slot]! += next[slot - 1]!;
    const ordered = new Uint32Array(total);
    for (let row = 0; row < total; row++) ordered[next[slotOf(row)]!++] = row;
    const window = ordered.subarray(Math.min(from, total), Math.min(from + wanted, total));
    const pick = (column: Uint32Array): Uint32Array => Uint32Array.from(window, (row) => column[row]!);
    return { total, rows: { source: pick(all.source), pageBlock: pick(all.pageBlock), link: pick(all.link) } };
}

/** Rows in each slot of the order. */
function countBySlot(
    survey: PackedSurvey,
    choice: LinkChoice,
    places: LinkPlaces,
    slotAt: (key: number) => number,
    slots: number,
): Float64Array {
    const { graph, perList, selfPerList, fits } = choice;
    const counts = new Float64Array(slots);
    const lists = graph.listStart.length - 1;
    /** How often each list stands on pages that are asked for; and on those whose links to themselves count. */
    const stands = new Uint32Array(lists);
    const standsSelf = new Uint32Array(lists);
    for (let node = 0; node < survey.count; node++) {
        if (!choice.wantsPage(node)) continue;
        const countsSelf = choice.wantsSelf(node);
        for (let at = graph.pageStart[node]!; at < graph.pageStart[node + 1]!; at++) {
            const block = graph.pageBlocks[at]!;
            if (!choice.wantsBlock(block)) continue;
            const list = graph.blockList[block]!;
            if (places.of === 'link') {
                stands[list]!++;
                if (countsSelf) standsSelf[list]!++;
            } else {
                const rows = perList[list]! + (countsSelf ? selfPerList[list]! : 0);
                if (rows > 0) counts[slotAt(places.of === 'block' ? block : node)]! += rows;
            }
        }
    }
    if (places.of === 'link') {
        for (let list = 0; list < lists; list++) {
            if (stands[list] === 0) continue;
            const end = graph.listStart[list + 1]!;
            if (selfPerList[list] === 0) {
                const times = stands[list]!;
                for (let link = graph.listStart[list]!; link < end; link++) {
                    if (fits[link] === 1) counts[slotAt(link)]! += times;
                }
                continue;
            }
            for (let link = graph.listStart[list]!; link < end; link++) {
                if (fits[link] === 0) continue;
                counts[slotAt(link)]! += graph.target[link] === TO_SELF ? standsSelf[list]! : stands[list]!;
            }
        }
    }
    return counts;
}
