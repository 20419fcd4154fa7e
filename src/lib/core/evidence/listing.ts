/** Pages that are lists of others: what they show changes with what is on the list. */
import { pathOf } from '../address/address.ts';

const LISTING_PATH =
    /\/(?:page|seite|pagina|p)[/-]?\d+\/?$|\/(?:archive|archives|tag|tags|category|label)\/|\/\d{4}\/(?:\d{1,2}\/?)?$/i;
const LISTING_QUERY = /(?:^|&)(?:page|p|paged|start|offset|from|seite)=\d+(?:&|$)/i;

/** True for a page of a paginated list or an archive, as its URL says: `/page/3`, `?page=3`, `/tag/…`, `/2026/03/`. */
export function isListing(url: string): boolean {
    const [path = '', query = ''] = pathOf(url).split('?', 2);
    return LISTING_PATH.test(path) || LISTING_QUERY.test(query);
}
