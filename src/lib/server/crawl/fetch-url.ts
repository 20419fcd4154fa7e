/** One request, one answer: no redirect is followed here, no answer is trusted, everything is bounded. */
import type { Readable } from 'node:stream';
import { request, type Dispatcher } from 'undici';
import type { NotRead } from '../../core/survey/survey-rows.ts';
import { TooManyCodings, unpack } from './unpack.ts';

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
    /** Why the body is not whole, as a sentence part; empty when it is. */
    bodyTrouble: string;
    /** From asking to the last byte, milliseconds. */
    milliseconds: number;
}

export interface NoAnswer {
    ok: false;
    code: NotRead;
    /** A sentence part: "refused the connection". */
    say: string;
}

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

function failureOf(error: unknown, host: string): NoAnswer {
    const message = error instanceof Error ? error.message : String(error);
    const code = codeOf(error);
    const fail = (as: NotRead, say: string): NoAnswer => ({ ok: false, code: as, say });
    if (code === 'EDGEMAP_PRIVATE')
        return fail('private', `not asked: ${message}, which this site's settings do not allow`);
    if (code === 'ENOTFOUND' || code === 'EAI_AGAIN' || code === 'EAI_NODATA')
        return fail('no-such-host', `no such host: ${host}`);
    if (code === 'ECONNREFUSED') return fail('refused', `${host} refused the connection`);
    if (code === 'ENETUNREACH' || code === 'EHOSTUNREACH')
        return fail('refused', `${host} cannot be reached from here`);
    if (TLS_CODES.test(code)) return fail('tls', `TLS failed with ${host}: ${message || code}`);
    if (/^(?:AbortError|TimeoutError|ETIMEDOUT)$|TIMEOUT/.test(code))
        return fail('timeout', `${host} did not answer in time`);
    const broken = brokenHead(code, message);
    if (broken !== null) return fail('broken-reply', `the answer of ${host} cannot be read: ${broken}`);
    return fail(
        'lost',
        `the connection to ${host} was lost: ${code === 'UND_ERR_SOCKET' ? 'it was closed before the answer was whole' : message || code}`,
    );
}

/** What llhttp says of an answer it cannot read, and what that means (RFC 9112); the first that fits. */
const BROKEN_HEADS: readonly [RegExp, string][] = [
    [/content-length/i, 'its Content-Length is no number'],
    [/header (?:value|token)|header/i, 'a header holds a character that may not stand there'],
    [/status/i, 'its status is no number of three digits'],
    [/version/i, 'its version of HTTP is none that is known'],
    [/expected http/i, 'it does not begin as an answer over HTTP does'],
    [/\b(?:cr|lf)\b/i, 'its lines do not end as they must'],
    [/chunk/i, 'the pieces of its body are not marked as they must be'],
];

/** Why the head of an answer cannot be read; null for a failure of another kind. */
function brokenHead(code: string, message: string): string | null {
    if (code === 'UND_ERR_HEADERS_OVERFLOW') return 'its headers are larger than 16 KB';
    // A status below 100 trips the library itself.
    if (code === 'ERR_ASSERTION') return 'its status is none of HTTP, which begin at 100';
    // Before the head is there this says only that the head broke off behind a Content-Length.
    if (code === 'UND_ERR_RES_CONTENT_LENGTH_MISMATCH')
        return 'its headers contradict each other about the length of the body, or hold a character that may not stand there';
    if (!/^HTTPParserError|^HPE_|UND_ERR_RES|Z_/.test(code)) return null;
    return BROKEN_HEADS.find(([says]) => says.test(message))?.[1] ?? 'it is not as HTTP has it';
}

/** What became of a body that did not arrive whole. */
function bodyTroubleOf(error: unknown, size: number): string {
    const code = codeOf(error);
    const after = `after ${size.toLocaleString('en')} bytes`;
    if (/^(?:AbortError|TimeoutError|ETIMEDOUT)$|TIMEOUT/.test(code))
        return `the body did not end in time; cut ${after}`;
    if (error instanceof TooManyCodings) return error.message;
    if (/^Z_|^ERR_BROTLI|BROTLI/.test(code)) return `the packed body is broken ${after}`;
    if (code === 'UND_ERR_RES_CONTENT_LENGTH_MISMATCH')
        return `the body is not as long as its Content-Length says; it ended ${after}`;
    return `the body broke off ${after}`;
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
            bodyTrouble: '',
            milliseconds: 0,
        };
        if (wanted === 'none') await answer.body.dump({ limit: WORTH_DRAINING }).catch(() => undefined);
        else await readBody(answer.body, headers, wanted === 'all' ? options.maxBytes : HEAD_BYTES, result);
        if (options.signal?.aborted) return { ok: false, code: 'stopped', say: 'stopped' };
        result.milliseconds = Math.round(performance.now() - started);
        return result;
    } catch (error) {
        if (options.signal?.aborted) return { ok: false, code: 'stopped', say: 'stopped' };
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
            result.bodyTrouble = `the body is longer than ${limit.toLocaleString('en')} bytes; the rest was not read`;
        }
    } catch (error) {
        result.bodyTrouble = bodyTroubleOf(error, size);
    }
    const rest = Number(headers.get('content-length')?.[0] ?? NaN) - size;
    if (result.bodyRead === 'head' && result.bodyTrouble === '' && rest < WORTH_DRAINING) body.resume();
    else if (isCut || result.bodyTrouble !== '') body.destroy();
    result.body = pieces.length === 1 && size <= limit ? pieces[0]! : Buffer.concat(pieces).subarray(0, limit);
}
