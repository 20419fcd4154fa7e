/**
 * What a URL is to us. Parsed and serialised by the WHATWG URL standard, then brought to one spelling by the syntax
 * rules of RFC 3986 section 6.2.2 (percent-encoding only; the URL parser has already done case and dot segments).
 */

/** Longest address that is kept as an address; longer ones are recorded as malformed links. */
export const MAX_ADDRESS_LENGTH = 4096;

/** Why a text is no address we can use. */
export type AddressTrouble = 'malformed' | 'not-http' | 'too-long';

export interface Address {
    /** Identity of the page: http(s) URL without fragment, user name and password. */
    url: string;
    /** Fragment without `#`, as serialised by the URL standard; empty when there is none. */
    fragment: string;
    /** The text named a user or a password; they were removed and are stored nowhere. */
    hadCredentials: boolean;
}

export type AddressResult = { ok: true; address: Address } | { ok: false; code: AddressTrouble };

/** Turns the non-ASCII characters of a query into percent-encoded bytes of the document's own charset. */
export type QueryEncoder = (text: string) => string;

const UNRESERVED = /[A-Za-z0-9\-._~]/;

/**
 * Percent-encoding in its normal form (RFC 3986 6.2.2.1 and 6.2.2.2): hex digits in upper case, encoded unreserved
 * characters decoded. A `%` that starts no triplet is left as it is.
 */
export function normalisePercent(text: string): string {
    if (!text.includes('%')) return text;
    return text.replace(/%([0-9A-Fa-f]{2})/g, (triplet, hex: string) => {
        const char = String.fromCharCode(parseInt(hex, 16));
        return UNRESERVED.test(char) ? char : triplet.toUpperCase();
    });
}

/** Applies the document's charset to the query part of an href, leaving path and fragment to the URL parser. */
function encodeQueryPart(href: string, encodeQuery: QueryEncoder): string {
    const hash = href.indexOf('#');
    const end = hash === -1 ? href.length : hash;
    const mark = href.indexOf('?');
    if (mark === -1 || mark > end) return href;
    const query = href.slice(mark + 1, end);
    if (/^[\x00-\x7f]*$/.test(query)) return href;
    return href.slice(0, mark + 1) + encodeQuery(query) + href.slice(end);
}

/**
 * A URL that is in our spelling already, as sitemaps and exports write them: lower-case scheme and host of letters,
 * digits and hyphens whose last label is no number, no port, a path, nothing that would be encoded, decoded or removed.
 * Such a text is its own result, which saves parsing it.
 */
const PLAIN =
    /^https?:\/\/(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?\.)+[a-z]+(?:\/[A-Za-z0-9\-_~!$&'()*+,;=:@.]*)+(?:\?[A-Za-z0-9\-._~!$&()*+,;=:@/?]+)?$/;
/** Dot segments, and labels that stand for other letters: those are for the URL parser. */
const NOT_PLAIN = /\/\.|xn--/;
const LONGEST_PLAIN = 2_000;

/** True for a URL that the URL standard and our own rules leave as it is. */
export function isPlainUrl(text: string): boolean {
    return text.length <= LONGEST_PLAIN && PLAIN.test(text) && !NOT_PLAIN.test(text);
}

const SEGMENT = "[A-Za-z0-9_-][A-Za-z0-9_.~!$&'()*+,;=@-]*";
/**
 * A reference as documents write most of theirs: steps up, then segments that begin with a letter, a digit, `_` or `-` and
 * hold nothing that would be encoded or decoded; then a fragment of the same kind. It has no scheme, no query, no empty
 * segment and no dot segment beyond the steps up.
 */
const SIMPLE = new RegExp(
    `^(\\/?)((?:\\.\\.\\/)*)((?:${SEGMENT}(?:\\/${SEGMENT})*\\/?)?)(?:#([A-Za-z0-9_.~:@/?!$&'()*+,;=-]*))?$`,
);

/** A base that is in our spelling: its parts, as references are put behind them. */
interface Base {
    written: string;
    /** Null where it is no address of ours. */
    parts: { origin: string; folder: string } | null;
}

/** References of one document share their base. */
let lastBase: Base = { written: '', parts: null };

function partsOf(base: string): Base['parts'] {
    if (lastBase.written === base) return lastBase.parts;
    const own = readAddress(base);
    const isOwn = own.ok && own.address.url === base;
    const path = isOwn ? (pathOf(base).split('?', 1)[0] ?? '/') : '';
    lastBase = {
        written: base,
        parts: isOwn ? { origin: originOf(base), folder: path.slice(0, path.lastIndexOf('/') + 1) } : null,
    };
    return lastBase.parts;
}

/** What the URL standard makes of a simple reference (4.4, relative and path states); null for any other. */
function readSimple(href: string, base: string): AddressResult | null {
    if (href.length > LONGEST_PLAIN) return null;
    const [whole, root, up, path, fragment = ''] = SIMPLE.exec(href) ?? [];
    const parts = whole === undefined ? null : partsOf(base);
    if (parts === null) return null;
    // Without a path it is the document itself, with its query; what becomes of a bare question mark, the parser says.
    if (root === '' && up === '' && path === '')
        return base.endsWith('?') ? null : { ok: true, address: { url: base, fragment, hadCredentials: false } };
    let folder = root === '' ? parts.folder : '/';
    for (let steps = up!.length / 3; steps > 0; steps--)
        folder = folder.slice(0, folder.lastIndexOf('/', folder.length - 2) + 1) || '/';
    const url = `${parts.origin}${folder}${path}`;
    if (url.length > MAX_ADDRESS_LENGTH) return { ok: false, code: 'too-long' };
    return { ok: true, address: { url, fragment, hadCredentials: false } };
}

/**
 * Reads one link target.
 *
 * @param href the text as written, entities already decoded
 * @param base absolute URL to resolve against; without it `href` must be absolute
 * @param encodeQuery the document's charset, needed only where that is not UTF-8 (HTML, "encoding-parse a URL")
 */
export function readAddress(href: string, base?: string, encodeQuery?: QueryEncoder): AddressResult {
    if (isPlainUrl(href)) return { ok: true, address: { url: href, fragment: '', hadCredentials: false } };
    const simple = base === undefined ? null : readSimple(href, base);
    if (simple !== null) return simple;
    let parsed: URL;
    try {
        parsed = new URL(encodeQuery ? encodeQueryPart(href, encodeQuery) : href, base);
    } catch {
        return { ok: false, code: 'malformed' };
    }
    if (parsed.protocol !== 'http:' && parsed.protocol !== 'https:') return { ok: false, code: 'not-http' };
    // Reading `search` would lose a bare "?", which the standard keeps apart from no query at all.
    const bare = parsed.href.split('#', 1)[0] ?? '';
    const afterHost = parsed.protocol.length + 2;
    const pathStart = bare.indexOf('/', afterHost);
    const url = `${parsed.protocol}//${parsed.host}${normalisePercent(bare.slice(pathStart))}`;
    if (url.length > MAX_ADDRESS_LENGTH) return { ok: false, code: 'too-long' };
    return {
        ok: true,
        address: {
            url,
            fragment: parsed.hash.slice(1),
            hadCredentials: parsed.username !== '' || parsed.password !== '',
        },
    };
}

/** Path and query of a URL of ours: what robots rules are matched against and what tables show. */
export function pathOf(url: string): string {
    const start = url.indexOf('/', url.indexOf('//') + 2);
    return start === -1 ? '/' : url.slice(start);
}

/** Scheme, host and port of a URL of ours, as written (no trailing slash). */
export function originOf(url: string): string {
    const start = url.indexOf('/', url.indexOf('//') + 2);
    return start === -1 ? url : url.slice(0, start);
}

/** Host and port of a URL of ours. */
export function hostOf(url: string): string {
    return originOf(url).slice(url.indexOf('//') + 2);
}
