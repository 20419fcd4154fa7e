/** The contents by which blocks and evidence of a survey are told apart; lists and layouts are by what is stored of them. */
import type { BlockRow, EvidenceRow } from '../../core/survey/survey-rows.ts';

export function blockKey({ region, list, place }: Pick<BlockRow, 'region' | 'list' | 'place'>): string {
    return `${region} ${list} ${place}`;
}

export function evidenceKey(row: EvidenceRow): string {
    return `${row.evidence} ${row.address} ${row.source}`;
}
