/** One request, one answer: no redirect is followed here, no answer is trusted, everything is bounded. */
import type { Readable } from 'node:stream';
import { request, type Dispatcher } from 'undici';
import { problem, type Problem } from '../../core/problems/problem.ts';
import type { NotRead } from '../../core/survey/survey-rows.ts';
import { brokenHead } from './broken-head.ts';
import { privateAddressOf } from './connect.ts';
import { MOST_CODINGS, TooManyCodings, unpack } from './unpack.ts';

const WHOLE_ANSWER_MILLISECONDS = 60_000;
/** Bytes kept of a body that is looked at only to tell its type. */
const HEAD_BYTES = 1_500;
/** A rest shorter than this is read away, so that the connection can be used again. */
const WORTH_DRAINING = 65_536;

export interface Answer {
    ok: true;
    status: number;
    /** Header names in lower case, every line apart. */
    headers: Map<string, string[]>;
    /** Media type as sent, lower case, without parameters; empty when missing. */
    sentType: string;
    /** Unpacked body, as far as it was read. */
    body: Uint8Array;
    /** `all` as far as the bounds allow, `head` its first bytes only, `none`. */
    bodyRead: BodyWanted;
    /** Why the body is not whole; null when it is. */
    bodyTrouble: Problem | null;
    /** From asking to the last byte, milliseconds. */
    milliseconds: number;
}

export interface NoAnswer {
    ok: false;
    code: NotRead;
    problem: Problem;
}

/** Given up because the survey is to end. */
export const STOPPED: NoAnswer = { ok: false, code: 'stopped', problem: problem('stopped', {}) };

export type BodyWanted = 'all' | 'head' | 'none';

export interface FetchOptions {
    dispatcher: Dispatcher;
    method?: 'GET' | 'HEAD';
    agent: string;
    accept: string;
    /** Sent besides, for hosts that may have it. */
    headers?: Record<string, string>;
    /** Decides from status and type how much of the body is read. */
    wantsBody: (status: number, sentType: string) => BodyWanted;
    /** Unpacked bytes at which reading ends. */
    maxBytes: number;
    /** Aborted to give up. */
    signal?: AbortSignal;
    /** Told once the head of the answer is there. */
    onHead?: () => void;
}

const TLS_CODES = /^(?:ERR_TLS|ERR_SSL|CERT_|DEPTH_ZERO|SELF_SIGNED|UNABLE_TO|EPROTO|HOSTNAME_MISMATCH)/;

/** Codes and names of an error and its cause: abort and timeout errors carry a number as their code. */
function codeOf(error: unknown): string {
    const known = error as { code?: unknown; name?: string; cause?: { code?: unknown } };
    return [known.code, known.cause?.code, known.name].find((value) => typeof value === 'string') ?? '';
}

/** Longest cause of another program that is kept. */
const LONGEST_CAUSE = 120;

function failureOf(error: unknown, host: string): NoAnswer {
    const message = error instanceof Error ? error.message : String(error);
    const code = codeOf(error);
    const cause = (message || code).slice(0, LONGEST_CAUSE);
    const fail = (as: NotRead, what: Problem): NoAnswer => ({ ok: false, code: as, problem: what });
    const refusal = privateAddressOf(error);
    if (refusal !== null) return fail('private', problem('private-address', refusal));
    if (code === 'ENOTFOUND' || code === 'EAI_AGAIN' || code === 'EAI_NODATA')
        return fail('no-such-host', problem('no-such-host', { host }));
    if (code === 'ECONNREFUSED') return fail('refused', problem('refused', { host }));
    if (code === 'ENETUNREACH' || code === 'EHOSTUNREACH') return fail('refused', problem('unreachable', { host }));
    if (TLS_CODES.test(code)) return fail('tls', problem('tls', { host, cause }));
    if (/^(?:AbortError|TimeoutError|ETIMEDOUT)$|TIMEOUT/.test(code))
        return fail('timeout', problem('timeout', { host }));
    const how = brokenHead(code, message);
    if (how !== null) return fail('broken-reply', problem('broken-reply', { host, how }));
    if (code === 'UND_ERR_SOCKET') return fail('lost', problem('closed-early', { host }));
    return fail('lost', problem('lost', { host, cause }));
}

/** What became of a body that did not arrive whole. */
function bodyTroubleOf(error: unknown, bytes: number): Problem {
    const code = codeOf(error);
    if (/^(?:AbortError|TimeoutError|ETIMEDOUT)$|TIMEOUT/.test(code)) return problem('body-late', { bytes });
    if (error instanceof TooManyCodings) return problem('body-codings', { codings: error.count, most: MOST_CODINGS });
    if (/^Z_|^ERR_BROTLI|BROTLI/.test(code)) return problem('body-packing', { bytes });
    if (code === 'UND_ERR_RES_CONTENT_LENGTH_MISMATCH') return problem('body-length', { bytes });
    return problem('body-broken-off', { bytes });
}

function headerLines(raw: Record<string, string | string[] | undefined>): Map<string, string[]> {
    const lines = new Map<string, string[]>();
    for (const [name, value] of Object.entries(raw)) {
        if (value !== undefined) lines.set(name.toLowerCase(), Array.isArray(value) ? value : [value]);
    }
    return lines;
}

export async function fetchUrl(url: string, options: FetchOptions): Promise<Answer | NoAnswer> {
    const host = new URL(url).host;
    const started = performance.now();
    const deadline = AbortSignal.timeout(WHOLE_ANSWER_MILLISECONDS);
    const signal = options.signal ? AbortSignal.any([deadline, options.signal]) : deadline;
    try {
        const answer = await request(url, {
            dispatcher: options.dispatcher,
            method: options.method ?? 'GET',
            signal,
            headers: {
                ...options.headers,
                'user-agent': options.agent,
                accept: options.accept,
                'accept-encoding': 'gzip, deflate, br',
            },
        });
        options.onHead?.();
        const headers = headerLines(answer.headers);
        const sentType = (headers.get('content-type')?.[0] ?? '').split(';', 1)[0]!.trim().toLowerCase().slice(0, 200);
        const wanted = options.method === 'HEAD' ? 'none' : options.wantsBody(answer.statusCode, sentType);
        const result: Answer = {
            ok: true,
            status: answer.statusCode,
            headers,
            sentType,
            body: new Uint8Array(0),
            bodyRead: wanted,
            bodyTrouble: null,
            milliseconds: 0,
        };
        if (wanted === 'none') await answer.body.dump({ limit: WORTH_DRAINING }).catch(() => undefined);
        else await readBody(answer.body, headers, wanted === 'all' ? options.maxBytes : HEAD_BYTES, result);
        if (options.signal?.aborted) return STOPPED;
        result.milliseconds = Math.round(performance.now() - started);
        return result;
    } catch (error) {
        if (options.signal?.aborted) return STOPPED;
        return failureOf(error, host);
    }
}

/** Reads up to `limit` unpacked bytes; what arrived before trouble is kept, and the trouble is said. */
async function readBody(body: Readable, headers: Map<string, string[]>, limit: number, result: Answer): Promise<void> {
    const pieces: Uint8Array[] = [];
    let size = 0;
    let isCut = false;
    // What stands in the buffers of a destroyed stream still reports an error; it has been answered by then.
    body.on('error', () => undefined);
    const encoding = (headers.get('content-encoding') ?? []).join(',');
    try {
        for await (const piece of unpack(body, encoding)) {
            pieces.push(piece);
            size += piece.length;
            // A body of exactly the limit is whole; only one more piece shows that there is more.
            isCut = size > limit || (size === limit && result.bodyRead === 'head');
            if (isCut) break;
        }
        if (isCut && result.bodyRead === 'all') {
            result.bodyTrouble = problem('body-too-long', { limit });
        }
    } catch (error) {
        result.bodyTrouble = bodyTroubleOf(error, size);
    }
    const rest = Number(headers.get('content-length')?.[0] ?? NaN) - size;
    if (result.bodyRead === 'head' && result.bodyTrouble === null && rest < WORTH_DRAINING) body.resume();
    else if (isCut || result.bodyTrouble !== null) body.destroy();
    result.body = pieces.length === 1 && size <= limit ? pieces[0]! : Buffer.concat(pieces).subarray(0, limit);
}
