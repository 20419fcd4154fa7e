/** Addresses of views: what is looked at stays in them, so that they can be sent to somebody or kept. */
import { pageKey } from '../../core/address/page-key.ts';

/** A query with its question mark; empty for none. Paths stay readable: `?page=/tools/`. */
export function queryOf(params: URLSearchParams): string {
    // RFC 3986 section 3.4: a query may hold slashes and colons as they are.
    const query = params.toString().replaceAll('%2F', '/').replaceAll('%3A', ':');
    return query === '' ? '' : `?${query}`;
}

/** The same view with some parameters changed; null takes one away. */
export function withParams(at: URL, change: Record<string, string | null>): string {
    const params = new URLSearchParams(at.searchParams);
    for (const [name, value] of Object.entries(change)) {
        if (value === null) params.delete(name);
        else params.set(name, value);
    }
    return at.pathname + queryOf(params);
}

/** The same view with the sheet of a page beside it. @param start URL of the survey's start page */
export function withSheet(at: URL, url: string, start: string): string {
    return withParams(at, { page: pageKey(url, start) });
}

/** Proposals of links to a page (`of`), or of those its own text could give (`text`). */
export function proposalsHref(base: string, what: 'of' | 'text', url: string, start: string): string {
    return `${base}/proposals${queryOf(new URLSearchParams({ [what]: pageKey(url, start) }))}`;
}

/** The URL of what somebody typed: an address as it is, a path as one of the site. Null for nothing. */
export function typedUrl(typed: string, origin: string): string | null {
    const path = typed.trim();
    if (path === '') return null;
    return /^https?:\/\//i.test(path) ? path : `${origin}${path.startsWith('/') ? '' : '/'}${path}`;
}

/** What lies around a page on the map. */
export const aroundHref = (base: string, url: string, start: string): string =>
    `${base}/around${queryOf(new URLSearchParams({ of: pageKey(url, start) }))}`;

/** A walk that begins at a page. */
export const journeyHref = (base: string, url: string, start: string): string =>
    `${base}/journey${queryOf(new URLSearchParams({ trail: pageKey(url, start) }))}`;

/** The source of a page as received, at a line. @param base address of the survey */
export function sourceHref(base: string, url: string, start: string, line: number): string {
    return `${base}/source${queryOf(new URLSearchParams({ of: pageKey(url, start), line: String(line) }))}`;
}
