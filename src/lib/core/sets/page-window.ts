/** A window of the pages table: a set, an order, and the rows from one place on. */
import type { MeasuredSurvey } from '../survey/measured-survey.ts';
import { pageRecord, type PageRecord } from '../survey/page-record.ts';
import { filterFromParams, filterPages, orderFromParams, orderPages } from './page-filter.ts';

export interface PageWindow {
    /** Size of the set. */
    total: number;
    from: number;
    rows: { node: number; record: PageRecord }[];
}

export const MAX_WINDOW = 500;

export function pageWindow(survey: MeasuredSurvey, params: { get(name: string): string | null }): PageWindow {
    const nodes = setInOrder(survey, params);
    const number = (name: string, otherwise: number): number => {
        const value = Number(params.get(name) ?? otherwise);
        return Number.isInteger(value) && value >= 0 ? value : otherwise;
    };
    const from = number('from', 0);
    const size = Math.min(number('count', 100), MAX_WINDOW);
    return {
        total: nodes.length,
        from,
        rows: nodes.slice(from, from + size).map((node) => ({ node, record: pageRecord(survey, node) })),
    };
}

/** Where a node stands in a set, and its neighbours there; null when it is not in the set. */
export interface PlaceInSet {
    /** From 1. */
    place: number;
    of: number;
    before: number | null;
    after: number | null;
}

export function placeInSet(
    survey: MeasuredSurvey,
    params: { get(name: string): string | null },
    node: number,
): PlaceInSet | null {
    const nodes = setInOrder(survey, params);
    const at = nodes.indexOf(node);
    if (at === -1) return null;
    return { place: at + 1, of: nodes.length, before: nodes[at - 1] ?? null, after: nodes[at + 1] ?? null };
}

/** The nodes of the set that the parameters name, in the order they name. */
export function setInOrder(survey: MeasuredSurvey, params: { get(name: string): string | null }): number[] {
    return orderPages(survey, filterPages(survey, filterFromParams(params)), orderFromParams(params));
}
