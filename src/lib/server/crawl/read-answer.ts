/**
 * One received document, from its bytes to all that is kept of it: read, and packed as it is stored. Pure; runs in a
 * thread of its own (`parse-thread.ts`), so that the thread that fetches never does it.
 */
import { hash } from 'node:crypto';
import { idHashes } from '../../core/page/fragments.ts';
import type { FoundBlock } from '../../core/page/links.ts';
import { packOutline } from '../../core/page/main-text.ts';
import { readPage, type PageFacts, type PageHeaders } from '../../core/page/read-page.ts';
import type { PageFactsRecord } from '../../core/survey/page-details.ts';
import { packFacts, packJson, packSource } from '../packed-json.ts';
import { textHash } from '../text-hash.ts';
import { decodeDocument, queryEncoderOf } from './charset.ts';

export interface ReceivedDocument {
    url: string;
    contentType: string;
    headers: PageHeaders;
    /** Response headers and cookie names, to be packed with the facts. */
    answer: Pick<PageFactsRecord, 'headers' | 'cookieNames'>;
    keepSource: boolean;
}

/** What of the facts is needed to go on; the rest is packed. */
export type RelayedFacts = Omit<PageFacts, 'document' | 'text' | 'textWords' | 'signature' | 'sketch' | 'blocks'>;

/** What is only kept, in the form in which it is stored. */
export interface PackedDetails {
    facts: Uint8Array;
    text: Uint8Array;
    bodyHash: Uint8Array;
    signature: Uint8Array;
    sketch: Uint8Array;
    ids: Uint8Array | null;
    outline: Uint8Array;
    source: Uint8Array;
}

export interface ReadAnswer {
    facts: RelayedFacts;
    blocks: FoundBlock[];
    details: PackedDetails;
}

/** Bytes of their own, fit to be handed over. */
function own(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    return new Uint8Array(bytes);
}

const bytesOf = (hashes: Uint32Array | null): Uint8Array | null => hashes && own(new Uint8Array(hashes.buffer));

/** @throws what a document beyond all bounds makes a reader throw; nothing is half done then */
export function readAnswer(asked: ReceivedDocument, bytes: Uint8Array): ReadAnswer {
    const { text, encoding, from } = decodeDocument(bytes, asked.contentType);
    const {
        document,
        text: pieces,
        textWords,
        signature,
        sketch,
        blocks,
        ...facts
    } = readPage(text, asked.url, asked.headers, queryEncoderOf(encoding));
    const record: PageFactsRecord = {
        document,
        sentType: asked.contentType.slice(0, 500),
        charset: encoding,
        charsetFrom: from,
        ...asked.answer,
    };
    const details: PackedDetails = {
        facts: own(packFacts(record)),
        text: own(
            pieces.length === 0
                ? new Uint8Array(0)
                : packJson([pieces.map((piece) => piece.block), pieces.map((piece) => piece.text)]),
        ),
        bodyHash: own(hash('sha256', bytes, 'buffer').subarray(0, 8)),
        signature: signature === null ? new Uint8Array(0) : own(new Uint8Array(signature.buffer)),
        sketch: own(new Uint8Array(sketch.buffer, sketch.byteOffset, sketch.byteLength)),
        ids: bytesOf(idHashes(document.ids)),
        outline: own(packOutline(pieces, textWords, textHash)),
        source: asked.keepSource ? own(packSource(bytes)) : new Uint8Array(0),
    };
    return { facts, blocks, details };
}
