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
    return host !== undefined && NAMES.some((name) => host.toLowerCase() === `${name}:${port}`);
}

/** True when a changing request comes from our own page; a missing Origin is none of a browser's form or script. */
export function isOwnOrigin(origin: string | null, host: string | null): boolean {
    if (origin === null) return true;
    return host !== null && origin.toLowerCase() === `http://${host.toLowerCase()}`;
}
