/**
 * Variants: URLs that differ only by scheme, `www.`, trailing slash, letter case, index document, parameter order or
 * doubled slashes (`measures.md`). Two URLs are variants of each other when their keys are equal.
 */
const INDEX_DOCUMENT = /\/(?:index|default|home)\.[a-z]{2,5}$/;

/** @param url in our spelling */
export function variantKey(url: string): string {
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
