/**
 * Variants: URLs that differ only by scheme, `www.`, trailing slash, letter case, index document, parameter order or
 * doubled slashes (`measures.md`). Two URLs are variants of each other when their keys are equal.
 */
const INDEX_DOCUMENT = /\/(?:index|default|home)\.[a-z]{2,5}$/;

/** Capital letters, a query, doubled slashes, an index document. */
const SPELT_OTHERWISE = /[A-Z?]|[^:]\/\/|\/(?:index|default|home)\./;

/** @param url in our spelling */
export function variantKey(url: string): string {
    // Most URLs have nothing that could be written in another way but scheme, www. and the slash at the end.
    if (!SPELT_OTHERWISE.test(url)) {
        const from = url.indexOf('://') + 3;
        return url.slice(url.startsWith('www.', from) ? from + 4 : from, url.endsWith('/') ? -1 : undefined);
    }
    const parsed = /^https?:\/\/([^/?]*)([^?]*)(?:\?(.*))?$/.exec(url);
    if (!parsed) return url;
    const [, host = '', path = '', query] = parsed;
    const plain = path
        .toLowerCase()
        .replace(/\/{2,}/g, '/')
        .replace(INDEX_DOCUMENT, '/')
        .replace(/\/$/, '');
    const parameters = query === undefined || query === '' ? '' : `?${query.split('&').sort().join('&')}`;
    return `${host.replace(/^www\./, '')}${plain}${parameters}`;
}

/** In what way the URL of one variant differs from that of another; of several the first. */
export const VARIANT_KINDS = ['scheme', 'host', 'index', 'slash', 'slashes', 'case', 'order'] as const;
export type VariantKind = (typeof VARIANT_KINDS)[number];

/** @param url in our spelling, a variant of `of`; null where they are the same */
export function variantKind(url: string, of: string): VariantKind | null {
    const [one, other] = [partsOf(url), partsOf(of)];
    if (one.scheme !== other.scheme) return 'scheme';
    if (one.host !== other.host) return 'host';
    const index = (path: string): string => INDEX_DOCUMENT.exec(path.toLowerCase())?.[0] ?? '';
    if (index(one.path) !== index(other.path)) return 'index';
    if (one.path.endsWith('/') !== other.path.endsWith('/')) return 'slash';
    const folded = (path: string): string => path.replace(/\/{2,}/g, '/');
    if (folded(one.path) === folded(other.path) && one.path !== other.path) return 'slashes';
    if (one.path !== other.path) return 'case';
    return one.query === other.query ? null : 'order';
}

function partsOf(url: string): { scheme: string; host: string; path: string; query: string } {
    const [, scheme = '', host = '', path = '', query = ''] = /^(https?):\/\/([^/?]*)([^?]*)(.*)$/.exec(url) ?? [];
    return { scheme, host, path, query };
}
