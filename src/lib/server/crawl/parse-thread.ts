/**
 * A worker thread that reads documents: bytes in, facts out. Nothing it is given is executed. What is only kept, and
 * not needed to go on (facts, text, source), is packed here, so that the thread that fetches never does it.
 */
import { createHash } from 'node:crypto';
import { parentPort, workerData } from 'node:worker_threads';
import { problem, type Problem } from '../../core/problems/problem.ts';
import { idHashes } from '../../core/page/fragments.ts';
import { packOutline } from '../../core/page/main-text.ts';
import { readPage, type PageFacts, type PageHeaders } from '../../core/page/read-page.ts';
import type { PageFactsRecord } from '../../core/survey/page-details.ts';
import { packBytes, packJson } from '../packed-json.ts';
import { textHash } from '../text-hash.ts';
import { BlockSender, type Relay } from './block-relay.ts';
import { decodeDocument, queryEncoderOf } from './charset.ts';
import { ownThread } from '../process/own-thread.ts';
import { NOTHING_READ, READING, THREAD } from './parse-watch.ts';

export interface ParseRequest {
    id: number;
    url: string;
    bytes: ArrayBuffer;
    contentType: string;
    headers: PageHeaders;
    /** Response headers and cookie names, to be packed with the facts. */
    answer: Pick<PageFactsRecord, 'headers' | 'cookieNames'>;
    keepSource: boolean;
}

/** What of the facts the reader needs; the rest is packed. */
export type RelayedFacts = Omit<PageFacts, 'document' | 'text' | 'signature' | 'sketch' | 'blocks'>;

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

export type ParseReply =
    | { id: number; ok: true; facts: RelayedFacts; relay: Relay; details: PackedDetails }
    | { id: number; ok: false; problem: Problem };

/** Bytes of their own, fit to be handed over. */
function own(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    return new Uint8Array(bytes);
}

const bytesOf = (hashes: Uint32Array | null): Uint8Array | null => hashes && own(new Uint8Array(hashes.buffer));

const sender = new BlockSender();
/** Shared with the thread that gives out documents: if this one dies, that one knows of which. */
const told = workerData as Int32Array;
Atomics.store(told, THREAD, ownThread());

parentPort?.on('message', (message: ParseRequest) => {
    Atomics.store(told, READING, message.id);
    let reply: ParseReply;
    const handedOver: ArrayBuffer[] = [];
    try {
        const bytes = new Uint8Array(message.bytes);
        const { text, encoding, from } = decodeDocument(bytes, message.contentType);
        const {
            document,
            text: pieces,
            signature,
            sketch,
            blocks,
            ...facts
        } = readPage(text, message.url, message.headers, queryEncoderOf(encoding));
        const record: PageFactsRecord = {
            document,
            sentType: message.contentType.slice(0, 500),
            charset: encoding,
            charsetFrom: from,
            ...message.answer,
        };
        const kept = own(packJson(record));
        const packedText = own(
            pieces.length === 0
                ? new Uint8Array(0)
                : packJson([pieces.map((piece) => piece.block), pieces.map((piece) => piece.text)]),
        );
        const source = message.keepSource ? own(packBytes(bytes)) : new Uint8Array(0);
        const details: PackedDetails = {
            facts: kept,
            text: packedText,
            bodyHash: own(createHash('sha256').update(bytes).digest().subarray(0, 8)),
            signature: signature === null ? new Uint8Array(0) : own(new Uint8Array(signature.buffer)),
            sketch: own(new Uint8Array(sketch.buffer, sketch.byteOffset, sketch.byteLength)),
            ids: bytesOf(idHashes(document.ids)),
            outline: own(packOutline(pieces, textHash)),
            source,
        };
        handedOver.push(kept.buffer, packedText.buffer, source.buffer);
        reply = { id: message.id, ok: true, facts, relay: sender.send(blocks), details };
    } catch (error) {
        reply = {
            id: message.id,
            ok: false,
            problem: problem('document-failed', { cause: error instanceof Error ? error.message : String(error) }),
        };
    }
    parentPort?.postMessage(reply, handedOver);
    Atomics.store(told, READING, NOTHING_READ);
});
