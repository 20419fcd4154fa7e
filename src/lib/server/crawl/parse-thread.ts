/** A worker thread that reads documents: bytes in, facts out. Nothing it is given is executed. */
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { parentPort, workerData } from 'node:worker_threads';
import { problem, type Problem } from '../../core/problems/problem.ts';
import { ownThread } from '../process/own-thread.ts';
import { BlockSender, type Relay } from './block-relay.ts';
import { NOTHING_READ, READING, THREAD } from './parse-watch.ts';
import { readAnswer, type PackedDetails, type ReceivedDocument, type RelayedFacts } from './read-answer.ts';

export interface ParseRequest extends ReceivedDocument {
    id: number;
    bytes: ArrayBuffer;
}

export type ParseReply =
    | { id: number; ok: true; facts: RelayedFacts; relay: Relay; details: PackedDetails }
    | { id: number; ok: false; problem: Problem };

const sender = new BlockSender();
/** Shared with the thread that gives out documents: if this one dies, that one knows of which. */
const told = workerData as Int32Array;
Atomics.store(told, THREAD, ownThread());

parentPort?.on('message', (message: ParseRequest) => {
    Atomics.store(told, READING, message.id);
    let reply: ParseReply;
    const handedOver: ArrayBufferLike[] = [];
    try {
        const { facts, blocks, details } = readAnswer(message, new Uint8Array(message.bytes));
        handedOver.push(details.facts.buffer, details.text.buffer, details.source.buffer);
        reply = { id: message.id, ok: true, facts, relay: sender.send(blocks), details };
    } catch (error) {
        reply = {
            id: message.id,
            ok: false,
            problem: problem('document-failed', { cause: error instanceof Error ? error.message : String(error) }),
        };
    }
    parentPort?.postMessage(reply, handedOver as ArrayBuffer[]);
    Atomics.store(told, READING, NOTHING_READ);
    // Once nothing here holds the document any more.
    if (message.bytes.byteLength >= LARGE) setImmediate(giveBack);
});

/** Bytes of a document from which on its tree is given back at once: it would lie about until this thread needs room. */
const LARGE = 2 * 1024 * 1024;

/** Collects what is garbage, and gives its memory back: little is alive between documents. */
function giveBack(): void {
    setFlagsFromString('--expose-gc');
    const collect: unknown = runInNewContext('globalThis.gc');
    if (typeof collect === 'function') collect();
}
