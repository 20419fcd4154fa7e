/** A worker thread that reads documents: bytes in, facts out. Nothing it is given is executed. */
import { parentPort } from 'node:worker_threads';
import { readPage, type PageFacts, type PageHeaders } from '../../core/page/read-page.ts';
import { decodeDocument, queryEncoderOf } from './charset.ts';

export interface ParseRequest {
    id: number;
    url: string;
    bytes: ArrayBuffer;
    contentType: string;
    headers: PageHeaders;
}

export type ParseReply = { id: number; ok: true; facts: PageFacts } | { id: number; ok: false; say: string };

parentPort?.on('message', (message: ParseRequest) => {
    let reply: ParseReply;
    try {
        const { text, encoding } = decodeDocument(new Uint8Array(message.bytes), message.contentType);
        const facts = readPage(text, message.url, message.headers, queryEncoderOf(encoding));
        reply = { id: message.id, ok: true, facts };
    } catch (error) {
        reply = { id: message.id, ok: false, say: error instanceof Error ? error.message : String(error) };
    }
    parentPort?.postMessage(reply);
});
