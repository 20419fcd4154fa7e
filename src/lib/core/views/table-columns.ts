/** Which columns the tables of pages and links show, and what a window of their rows is asked for with. */
import { LINK_TABLE_COLUMNS } from '../sets/link-rows.ts';

/** Names of the cookies that keep the columns last chosen. */
export const COLUMN_COOKIES = { pages: 'page-columns', links: 'link-columns' } as const;

const FIRST_PAGE_COLUMNS = ['url', 'title', 'depth', 'gate', 'standing', 'incoming_pages', 'words', 'evidence'];
const FIRST_LINK_COLUMNS = ['source', 'target', 'anchor', 'region', 'line', 'target_status', 'target_depth'];
/** What a row of pages is drawn with besides its columns: its form, and why nothing stands where nothing stands. */
const ALWAYS = ['url', 'gate', 'reached', 'gate_reason', 'status'];

/** Those that are known, each once, after the one that always comes first. */
function chosen(wanted: readonly string[], first: string, known: readonly string[]): string[] {
    return [...new Set([first, ...wanted.filter((id) => known.includes(id))])];
}

/** @param text columns parted by commas, as a URL or a cookie has them; null where none were ever chosen */
export function pageColumns(text: string | null, known: readonly string[]): string[] {
    return chosen(text?.split(',') ?? FIRST_PAGE_COLUMNS, 'url', known);
}

export function linkColumns(text: string | null): string[] {
    return chosen(text?.split(',') ?? FIRST_LINK_COLUMNS, 'source', LINK_TABLE_COLUMNS);
}

/** Names of the columns that a window of pages is asked for with, parted by commas. */
export function windowColumns(columns: readonly string[]): string {
    return [...new Set([...ALWAYS, ...columns])].join(',');
}
