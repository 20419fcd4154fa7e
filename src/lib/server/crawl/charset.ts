/** Bytes to text: BOM, then the Content-Type header, then what the document says, then a fallback. */
import { isUtf8 } from 'node:buffer';
import { legacyHookDecode } from '@exodus/bytes/encoding.js';
import { percentEncodeAfterEncoding } from '@exodus/bytes/whatwg.js';
import sniffHTMLEncoding from 'html-encoding-sniffer';
import type { QueryEncoder } from '../../core/address/address.ts';

export interface DecodedText {
    text: string;
    /** Name of the encoding, as the Encoding Standard has it. */
    encoding: string;
    /** What said so. */
    from: 'bom' | 'header' | 'meta' | 'fallback';
}

/** The charset parameter of a Content-Type, or undefined. */
export function charsetOf(contentType: string): string | undefined {
    return /;\s*charset\s*=\s*(?:"([^"]*)"|([^;\s]*))/i
        .exec(contentType)
        ?.slice(1)
        .find((value) => value !== undefined);
}

/** A document that says nothing is UTF-8 where its bytes are valid UTF-8, else windows-1252 as in browsers. */
export function decodeDocument(bytes: Uint8Array, contentType: string): DecodedText {
    const label = charsetOf(contentType);
    const fallback = isUtf8(bytes) ? 'UTF-8' : 'windows-1252';
    const encoding = sniffHTMLEncoding(bytes, { transportLayerEncodingLabel: label, defaultEncoding: fallback });
    const text = legacyHookDecode(bytes, encoding.toLowerCase());
    return { text, encoding, from: sourceOf(bytes, label) };
}

/** Asks again with less said, to learn which of the sources decided. */
function sourceOf(bytes: Uint8Array, label: string | undefined): DecodedText['from'] {
    const nothing = 'x-user-defined';
    const without = sniffHTMLEncoding(bytes, { defaultEncoding: nothing });
    const hasBom =
        (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) ||
        (bytes[0] === 0xfe && bytes[1] === 0xff) ||
        (bytes[0] === 0xff && bytes[1] === 0xfe);
    if (hasBom) return 'bom';
    const header = sniffHTMLEncoding(new Uint8Array(0), {
        transportLayerEncodingLabel: label,
        defaultEncoding: nothing,
    });
    if (header !== nothing) return 'header';
    return without === nothing ? 'fallback' : 'meta';
}

/**
 * How queries of a document in that encoding are written (URL standard, "percent-encode after encoding"); undefined
 * for UTF-8, which the URL parser does itself, and for UTF-16, whose queries are UTF-8 too.
 */
export function queryEncoderOf(encoding: string): QueryEncoder | undefined {
    const name = encoding.toLowerCase();
    if (/^utf-?(?:8|16)|^replacement$/.test(name)) return undefined;
    // The URL parser drops tabs and line ends; encoded here they would stay.
    return (text) => percentEncodeAfterEncoding(name, text.replace(/[\t\n\r]/g, ''), '');
}
