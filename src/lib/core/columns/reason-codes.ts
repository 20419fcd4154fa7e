/** Why a URL has no status, as numbers. */
import { NOT_READ_REASONS, type NotRead, type PageRow } from '../survey/survey-rows.ts';

/** Column `not_read`: 0 for what was read, 1 + index into `NOT_READ_REASONS`, or this for what still waits. */
export const NOT_SETTLED = 255;

export function reasonCode(page: PageRow | null): number {
    if (page === null) return NOT_SETTLED;
    return page.notRead === '' ? 0 : 1 + NOT_READ_REASONS.indexOf(page.notRead);
}

export function reasonOf(code: number): NotRead | '' | null {
    return code === 0 ? '' : (NOT_READ_REASONS[code - 1] ?? null);
}
