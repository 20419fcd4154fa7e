/** What kind of thing a known URL turned out to be. */
import { isHtmlType } from '../gates/gates.ts';
import type { PageRow } from './survey-rows.ts';

/** Kinds of orphan, as numbers of the column. */
export const ORPHAN = { unknown: -1, no: 0, strict: 1, adrift: 2 } as const;

/** True for a page whose links count: it answered 200 with HTML. */
export function isReadHtml(page: PageRow | null): boolean {
    return page !== null && page.status === 200 && isHtmlType(page.contentType);
}
