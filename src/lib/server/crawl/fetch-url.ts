/** One request, one answer: no redirect is followed here, no answer is trusted, everything is bounded. */
import { Readable } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import { request, type Dispatcher } from 'undici';
import type { NotRead } from '../../core/survey/survey-rows.ts';

export const USER_AGENT = 'EdgeMap/0.1';
const MAX_BODY_BYTES = 20 * 1024 * 1024;
const WHOLE_ANSWER_MILLISECONDS = 60_000;

export interface Answer {
    ok: true;
    status: number;
    /** Header names in lower case, every line apart. */
    headers: Map<string, string[]>;
    /** Media type as sent, lower case, without parameters; empty when missing. */
    sentType: string;
    /** Unpacked body; empty where it was not wanted. */
    body: Uint8Array;
    bodyRead: boolean;
    /** The body went on beyond the bound, or broke off. */
    truncated: boolean;
    milliseconds: number;
}

export interface NoAnswer {
    ok: false;
    code: NotRead;
    /** A sentence part: "refused the connection". */
    say: string;
}

export interface FetchOptions {
    dispatcher: Dispatcher;
    accept: string;
    /** Decides from status and type whether the body is read. */
    wantsBody: (status: number, sentType: string) => boolean;
    maxBytes?: number;
    /** Keep the bytes as sent (a gzip file is not a gzip encoding). */
    signal?: AbortSignal;
}

const TLS_CODES = /^(?:ERR_TLS|ERR_SSL|CERT_|DEPTH_ZERO|SELF_SIGNED|UNABLE_TO|EPROTO|HOSTNAME_MISMATCH)/;

function failureOf(error: unknown, host: string): NoAnswer {
    const known = error as { code?: unknown; name?: string; message?: string; cause?: { code?: unknown } };
    // Abort and timeout errors carry a number as their code; their name tells what they are.
    const code = [known.code, known.cause?.code, known.name].find((value) => typeof value === 'string') ?? '';
    const fail = (as: NotRead, say: string): NoAnswer => ({ ok: false, code: as, say });
    if (code === 'EDGEMAP_PRIVATE')
        return fail('private', `not asked: ${known.message}, which this site's settings do not allow`);
    if (code === 'ENOTFOUND' || code === 'EAI_AGAIN' || code === 'EAI_NODATA')
        return fail('no-such-host', `no such host: ${host}`);
    if (code === 'ECONNREFUSED') return fail('refused', `${host} refused the connection`);
    if (code === 'ENETUNREACH' || code === 'EHOSTUNREACH')
        return fail('refused', `${host} cannot be reached from here`);
    if (TLS_CODES.test(code)) return fail('tls', `TLS failed with ${host}: ${known.message ?? code}`);
    if (/^(?:AbortError|TimeoutError|ETIMEDOUT)$|TIMEOUT/.test(code))
        return fail('timeout', `${host} did not answer in time`);
    if (/^HTTPParserError|^HPE_|UND_ERR_HEADERS_OVERFLOW|UND_ERR_RES|Z_/.test(code))
        return fail('broken-reply', `the answer of ${host} cannot be read: ${known.message ?? code}`);
    return fail('lost', `the connection to ${host} was lost: ${known.message ?? code}`);
}

function headerLines(raw: Record<string, string | string[] | undefined>): Map<string, string[]> {
    const lines = new Map<string, string[]>();
    for (const [name, value] of Object.entries(raw)) {
        if (value !== undefined) lines.set(name.toLowerCase(), Array.isArray(value) ? value : [value]);
    }
    return lines;
}

function unpacked(body: Readable, encodings: string): Readable {
    let stream = body;
    for (const encoding of encodings
        .toLowerCase()
        .split(',')
        .map((item) => item.trim())
        .reverse()) {
        if (encoding === 'gzip' || encoding === 'x-gzip') stream = stream.pipe(forwardErrors(stream, createGunzip()));
        else if (encoding === 'deflate') stream = stream.pipe(forwardErrors(stream, createInflate()));
        else if (encoding === 'br') stream = stream.pipe(forwardErrors(stream, createBrotliDecompress()));
    }
    return stream;
}

function forwardErrors<T extends Readable>(from: Readable, to: T): T {
    from.on('error', (error) => to.destroy(error));
    return to;
}

export async function fetchUrl(url: string, options: FetchOptions): Promise<Answer | NoAnswer> {
    const host = new URL(url).host;
    const started = performance.now();
    const deadline = AbortSignal.timeout(WHOLE_ANSWER_MILLISECONDS);
    const signal = options.signal ? AbortSignal.any([deadline, options.signal]) : deadline;
    try {
        const answer = await request(url, {
            dispatcher: options.dispatcher,
            method: 'GET',
            signal,
            headers: { 'user-agent': USER_AGENT, accept: options.accept, 'accept-encoding': 'gzip, deflate, br' },
        });
        const headers = headerLines(answer.headers);
        const sentType = (headers.get('content-type')?.[0] ?? '').split(';', 1)[0]!.trim().toLowerCase().slice(0, 200);
        const result: Answer = {
            ok: true,
            status: answer.statusCode,
            headers,
            sentType,
            body: new Uint8Array(0),
            bodyRead: false,
            truncated: false,
            milliseconds: 0,
        };
        if (options.wantsBody(answer.statusCode, sentType)) {
            const limit = options.maxBytes ?? MAX_BODY_BYTES;
            const pieces: Uint8Array[] = [];
            let size = 0;
            const stream = unpacked(answer.body, headers.get('content-encoding')?.join(',') ?? '');
            // What stands in the buffers of a destroyed stream still reports an error; it has been answered by then.
            answer.body.on('error', () => undefined);
            for await (const piece of stream as AsyncIterable<Uint8Array>) {
                pieces.push(piece);
                size += piece.length;
                if (size >= limit) {
                    result.truncated = true;
                    break;
                }
            }
            if (result.truncated) answer.body.destroy();
            result.body = Buffer.concat(pieces).subarray(0, limit);
            result.bodyRead = true;
        } else await answer.body.dump({ limit: 65_536 }).catch(() => undefined);
        result.milliseconds = Math.round(performance.now() - started);
        return result;
    } catch (error) {
        return failureOf(error, host);
    }
}

/**
 * Media type that counts. A missing or meaningless type is found out from the first bytes, as a browser would
 * (MIME Sniffing Standard, 7.1: the HTML patterns, after white space).
 */
export function sniffedType(sentType: string, body: Uint8Array): string {
    if (sentType !== '' && sentType !== 'unknown/unknown' && sentType !== 'application/unknown' && sentType !== '*/*') {
        return sentType;
    }
    const head = Buffer.from(body.subarray(0, 1445))
        .toString('latin1')
        .replace(/^(?:\xEF\xBB\xBF)?[\t\n\f\r ]*/, '');
    if (
        /^(?:<!doctype html|<html|<head|<script|<iframe|<h1|<div|<font|<table|<a|<style|<title|<b|<body|<br|<p|<!--)(?:[ >]|--)?/i.test(
            head,
        )
    ) {
        return 'text/html';
    }
    if (head.startsWith('<?xml')) return 'text/xml';
    if (head.startsWith('%PDF-')) return 'application/pdf';
    return /[\x00-\x08\x0e-\x1a\x1c-\x1f]/.test(head) ? 'application/octet-stream' : 'text/plain';
}
