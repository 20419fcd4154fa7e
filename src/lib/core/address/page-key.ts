/**
 * How a page is named wherever people or programs meet it: in addresses of ours, in answers, in notes. By its URL, in
 * short where it is one of the start page's own origin: `/tools/` on a site that starts at `https://site.example/`. Row
 * numbers of a packed survey name nothing outside of it: the next survey, and even the same one while it grows, gives
 * them to other pages.
 */
import { originOf } from './address.ts';

/**
 * The short name of a URL: path and query where scheme, host and port are the start page's, else the whole URL.
 *
 * @param url as a survey keeps it: absolute, without fragment
 * @param start URL of the start page
 */
export function pageKey(url: string, start: string): string {
    const origin = originOf(start);
    return url.startsWith(`${origin}/`) ? url.slice(origin.length) : url;
}

/** The URL that a key names, which may be one that no survey knows; the way back from `pageKey`. */
export function urlOfKey(key: string, start: string): string {
    return key.startsWith('/') ? originOf(start) + key : key;
}
