/** What stands before the application: who may ask, how much, and which thread answers. */
import { request as ask, Agent, type IncomingMessage, type ServerResponse } from 'node:http';
import { isForeign, isOwnHost, landingPage, ownAddress, SAFE_HEADERS } from '../access/guard.ts';
import type { WebThread } from './web-threads.ts';

/** Characters of an address; what is longer and still can be read gets a sentence. */
const MOST_ADDRESS = 16_000;
/** Uploads are as large as logs are, or bound themselves; everything else is bounded. */
const MOST_BODY = 1_000_000;
const UPLOAD = /^\/api\/v1\/sites\/\d+\/(?:surveys\/\d+\/evidence|(?:surveys\/\d+\/)?sitemap-judge)(?:\?|$)/;
/** Streams of events are open for as long as somebody looks: they are no work. */
const EVENTS = /\/progress$/;

export interface FrontOptions {
    port: number;
    threadFor: (method: string, path: string) => Pick<WebThread, 'socket' | 'ready' | 'began'>;
}

/** Handles every request of the application. */
export function frontHandler({ port, threadFor }: FrontOptions) {
    const agent = new Agent({ keepAlive: true, maxSockets: Infinity });
    return (request: IncomingMessage, response: ServerResponse): void => {
        for (const [name, value] of Object.entries(SAFE_HEADERS)) response.setHeader(name, value);
        if (!isOwnHost(request.headers.host, port)) {
            response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
            response.end(
                `This is Edge Map on your own machine. It answers to ${ownAddress(port)} and ${ownAddress(port, 'localhost')} only.\n`,
            );
            return;
        }
        const url = request.url ?? '/';
        const method = request.method ?? 'GET';
        const isApi = url.startsWith('/api/');
        const refuse = (status: number, message: string): void => {
            if (response.headersSent) return void response.destroy();
            response.writeHead(status, {
                'content-type': isApi ? 'application/json' : 'text/plain; charset=utf-8',
                connection: 'close',
            });
            response.end(isApi ? JSON.stringify({ message }) : `${message}\n`);
        };
        const { 'sec-fetch-site': site, 'sec-fetch-mode': mode } = request.headers;
        if (isForeign(typeof site === 'string' ? site : undefined)) {
            if (isApi || mode !== 'navigate' || method !== 'GET')
                return refuse(403, 'This was asked for by a page of another site and was not done.');
            response.writeHead(403, { 'content-type': 'text/html; charset=utf-8' });
            response.end(landingPage(url));
            return;
        }
        if (url.length > MOST_ADDRESS) {
            return refuse(
                414,
                'This address is longer than 16,000 characters. Save the set under a name, or ask with POST and the set in the body.',
            );
        }
        const length = Number(request.headers['content-length'] ?? 0);
        const isUpload = method === 'POST' && UPLOAD.test(url);
        if (!isUpload && (length > MOST_BODY || request.headers['transfer-encoding'] !== undefined))
            return refuse(413, 'That is more than a form of ours holds.');
        const [path = '/'] = url.split('?', 1);
        const thread = threadFor(method, path);
        const done = EVENTS.test(path) ? () => undefined : thread.began();
        response.once('close', done);
        const fail = (): void => refuse(503, 'This part of Edge Map is being started again. Try again in a moment.');
        thread.ready().then(() => passOn(request, response, { agent, socketPath: thread.socket, isApi, fail }), fail);
    };
}

interface PassOn {
    agent: Agent;
    socketPath: string;
    isApi: boolean;
    fail: () => void;
}

/** Hands a request to a thread and its answer back, piece by piece as either end takes them. */
function passOn(request: IncomingMessage, response: ServerResponse, { agent, socketPath, isApi, fail }: PassOn): void {
    const headers = { ...request.headers, 'x-edgemap-protocol': 'http' };
    // What goes wrong is told to programs as JSON, whatever they say they like.
    if (isApi) headers.accept = 'application/json';
    delete headers.connection;
    const passed = ask({ agent, socketPath, method: request.method, path: request.url, headers }, (answer) => {
        const own = { ...answer.headers };
        // Those speak of the connection between the two of us.
        delete own.connection;
        delete own['keep-alive'];
        response.writeHead(answer.statusCode ?? 500, own);
        answer.pipe(response);
        answer.on('error', () => response.destroy());
    });
    passed.on('error', fail);
    response.on('close', () => passed.destroy());
    request.on('error', () => passed.destroy());
    request.pipe(passed);
}

/** What is answered to bytes that are no request, or one with headers beyond all measure. */
export function refusalOf(code: string | undefined): string {
    const isTooLong = code === 'HPE_HEADER_OVERFLOW';
    const message = isTooLong
        ? 'This address is longer than can be read. Save the set under a name, or ask with POST and the set in the body.'
        : 'This is no request over HTTP that can be read.';
    const body = JSON.stringify({ message });
    const status = isTooLong ? '431 Request Header Fields Too Large' : '400 Bad Request';
    return `HTTP/1.1 ${status}\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`;
}
