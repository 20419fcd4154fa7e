/** The contents by which lists, layouts, blocks and evidence of a survey are told apart. */
import type { BlockRow, EvidenceRow, LayoutRow, ListedLink } from '../../core/survey/survey-rows.ts';

export function listKey(links: ListedLink[]): string {
    return JSON.stringify(links);
}

export function layoutKey({ lines, columns, hrefs }: Omit<LayoutRow, 'id'>): string {
    return JSON.stringify([lines, columns, hrefs]);
}

export function blockKey({ region, list, place }: Pick<BlockRow, 'region' | 'list' | 'place'>): string {
    return `${region} ${list} ${place}`;
}

export function evidenceKey(row: EvidenceRow): string {
    return `${row.evidence} ${row.address} ${row.source}`;
}
