/** The body of a sitemap as text: unpacked up to the protocol's size, decoded, with what is not as the protocol has it. */
import { isUtf8 } from 'node:buffer';
import { Readable } from 'node:stream';
import { createGunzip } from 'node:zlib';
import { legacyHookDecode } from '@exodus/bytes/encoding.js';
import { MAX_SITEMAP_BYTES, type SitemapTrouble } from '../../core/sitemap/read-sitemap.ts';
import { problem, type Problem, type ProblemParams } from '../../core/problems/problem.ts';
import { charsetOf } from './charset.ts';
import type { Answer } from './fetch-url.ts';

export type SitemapText =
    | { ok: true; text: string; /** Bytes unpacked. */ bytes: number; troubles: SitemapTrouble[] }
    | { ok: false; problem: Problem };

/** Gzip is told by its first bytes, whatever the name. */
export async function sitemapText(answer: Pick<Answer, 'body' | 'headers' | 'bodyTrouble'>): Promise<SitemapText> {
    const troubles: SitemapTrouble[] = [];
    const cut = (how: ProblemParams['cut']): void => void troubles.push(problem('cut', how));
    let bytes: Uint8Array = answer.body;
    if (bytes[0] === 0x1f && bytes[1] === 0x8b) {
        const { unpacked, end } = await gunzipped(bytes);
        if (unpacked.length === 0 && end !== 'whole') {
            return { ok: false, problem: problem('gzip-broken', {}) };
        }
        if (end === 'full') cut({ of: 'size' });
        else if (end === 'broken') cut({ of: 'gzip' });
        bytes = unpacked;
    }
    if (answer.bodyTrouble !== null) cut({ of: 'way', why: answer.bodyTrouble });
    const encoding = encodingOf(bytes, answer.headers.get('content-type')?.[0] ?? '');
    const text = decoded(bytes, encoding);
    if (!/^utf-?8$/i.test(encoding)) {
        troubles.push(problem('encoding', { encoding }));
    } else if (!isUtf8(bytes)) {
        const line = text.slice(0, text.indexOf('\ufffd')).split('\n').length;
        troubles.push(problem('broken-text', {}, line));
    }
    return { ok: true, text, bytes: bytes.length, troubles };
}

/** What of a gzip file can be unpacked, and how it ended: whole, at the protocol's limit, or before its time. */
async function gunzipped(bytes: Uint8Array): Promise<{ unpacked: Uint8Array; end: 'whole' | 'full' | 'broken' }> {
    const pieces: Uint8Array[] = [];
    let size = 0;
    let end: 'whole' | 'full' | 'broken' = 'whole';
    try {
        for await (const piece of Readable.from([bytes]).pipe(createGunzip()) as AsyncIterable<Uint8Array>) {
            pieces.push(piece);
            size += piece.length;
            if (size > MAX_SITEMAP_BYTES) {
                end = 'full';
                break;
            }
        }
    } catch {
        end = 'broken';
    }
    return { unpacked: Buffer.concat(pieces).subarray(0, MAX_SITEMAP_BYTES), end };
}

/** Encoding of an XML or text file: its byte order mark, the charset of its type (RFC 7303), what it says of itself. */
function encodingOf(bytes: Uint8Array, contentType: string): string {
    const [a, b, c, d] = bytes;
    if (a === 0xef && b === 0xbb && c === 0xbf) return 'UTF-8';
    if (a === 0xfe && b === 0xff) return 'UTF-16BE';
    if (a === 0xff && b === 0xfe) return 'UTF-16LE';
    // Without a mark, "<?" of an XML declaration tells (XML 1.0, appendix F).
    if (a === 0 && b === 0x3c && c === 0 && d === 0x3f) return 'UTF-16BE';
    if (a === 0x3c && b === 0 && c === 0x3f && d === 0) return 'UTF-16LE';
    const head = Buffer.from(bytes.subarray(0, 200)).toString('latin1');
    const said = charsetOf(contentType) ?? /^<\?xml[^>]*encoding\s*=\s*["']([\w.:-]+)["']/.exec(head)?.[1] ?? 'UTF-8';
    // A file whose bytes we can look at is none of 16 bits, whatever it says.
    return /^utf-?16/i.test(said) ? 'UTF-8' : said;
}

/** An encoding nobody knows is read as UTF-8. */
function decoded(bytes: Uint8Array, encoding: string): string {
    try {
        return legacyHookDecode(bytes, encoding.toLowerCase());
    } catch {
        return legacyHookDecode(bytes, 'utf-8');
    }
}
