/** Who may talk to us: only our own host names, and for changes only our own pages. */

/** Headers of every answer; the Content-Security-Policy is set with its nonce by the application. */
export const SAFE_HEADERS: Readonly<Record<string, string>> = {
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

const NAMES = ['127.0.0.1', 'localhost', '[::1]'];

/** True for a Host header that names this machine; anything else may be a foreign name pointed at us. */
export function isOwnHost(host: string | undefined, port: number): boolean {
    const asked = host?.toLowerCase();
    // Browsers leave out the port where it is the usual one.
    return NAMES.some((name) => asked === `${name}:${port}` || (port === 80 && asked === name));
}

/** Address of this application as a person types it. */
export function ownAddress(port: number, name = '127.0.0.1'): string {
    return `http://${name}${port === 80 ? '' : `:${port}`}/`;
}

/**
 * True for a request that a page of another site set off (Fetch Metadata): what a browser says of itself, so that it need
 * not be told from what else a request holds. Other programs say nothing.
 */
export function isForeign(fetchSite: string | undefined): boolean {
    return fetchSite === 'cross-site' || fetchSite === 'same-site';
}

const ESCAPED: Readonly<Record<string, string>> = {
    '&': '&amp;',
    '<': '&lt;',
    '>': '&gt;',
    '"': '&quot;',
    "'": '&#39;',
};

/** A page in place of the one that another site leads to: nothing is done until the reader says so. */
export function landingPage(url: string): string {
    const href = url.replace(/[&<>"']/g, (char) => ESCAPED[char]!);
    return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Edge Map</title><p>A page of another site leads here. <a href="${href}">Open it in Edge Map</a>.</p></html>\n`;
}

/** True when a changing request comes from our own page; a missing Origin is none of a browser's form or script. */
export function isOwnOrigin(origin: string | null, host: string | null): boolean {
    if (origin === null) return true;
    return host !== null && origin.toLowerCase() === `http://${host.toLowerCase()}`;
}
