/**
 * The stand-in web server: serves a demo site on the loopback address, http and https on one port (the first byte
 * tells which), under whatever host name it is asked for. It keeps a request log.
 */
import { appendFileSync } from 'node:fs';
import { createServer as createHttpServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { createServer as createNetServer, type AddressInfo, type Socket } from 'node:net';
import { DEMO_CERTIFICATE, DEMO_KEY } from './certificate.ts';

export interface SiteRequest {
    scheme: 'http' | 'https';
    /** Host name without port, lower case. */
    host: string;
    /** Path and query, as asked. */
    path: string;
    method?: string;
    /** Request headers, names in lower case. */
    headers?: Record<string, string | string[] | undefined>;
}

export interface SiteAnswer {
    status: number;
    headers: Record<string, string | string[]>;
    body: string | Uint8Array;
    /** Wait before answering, milliseconds. */
    delay?: number;
}

/** A made-up website: answers every request, and is the same for the same request. */
export type StandInSite = (request: SiteRequest) => SiteAnswer;

export interface LoggedRequest {
    /** URL as asked. */
    url: string;
    status: number;
    method: string;
    agent: string;
    /** UTC, milliseconds since 1970. */
    at: number;
}

export interface StandIn {
    port: number;
    log: LoggedRequest[];
    close(): Promise<void>;
}

const TLS_HANDSHAKE = 0x16;

/** @param options.logFile also written there, one JSON object per line, so that the log outlives a killed process */
export async function startStandIn(
    site: StandInSite,
    options: { port?: number; address?: string; logFile?: string } = {},
): Promise<StandIn> {
    const log: LoggedRequest[] = [];
    const answer = (scheme: 'http' | 'https') => (request: IncomingMessage, response: ServerResponse) => {
        const asked = (request.headers.host ?? '').toLowerCase();
        const host = asked.replace(/:\d+$/, '');
        const path = request.url ?? '/';
        const found = site({ scheme, host, path, method: request.method ?? 'GET', headers: request.headers });
        const entry: LoggedRequest = {
            url: `${scheme}://${asked}${path}`,
            status: found.status,
            method: request.method ?? 'GET',
            agent: request.headers['user-agent'] ?? '',
            at: Date.now(),
        };
        log.push(entry);
        if (options.logFile) appendFileSync(options.logFile, `${JSON.stringify(entry)}\n`);
        const send = (): void => {
            response.writeHead(found.status, found.headers);
            response.end(request.method === 'HEAD' ? undefined : found.body);
        };
        if (found.delay) setTimeout(send, found.delay);
        else send();
    };
    const http = createHttpServer(answer('http'));
    const https = createHttpsServer({ key: DEMO_KEY, cert: DEMO_CERTIFICATE }, answer('https'));
    const sockets = new Set<Socket>();
    const front = createNetServer((socket) => {
        sockets.add(socket);
        socket.on('close', () => sockets.delete(socket));
        socket.on('error', () => socket.destroy());
        socket.once('data', (first) => {
            socket.pause();
            socket.unshift(first);
            (first[0] === TLS_HANDSHAKE ? https : http).emit('connection', socket);
            process.nextTick(() => socket.resume());
        });
    });
    await new Promise<void>((resolve, reject) => {
        front.once('error', reject);
        front.listen(options.port ?? 0, options.address ?? '127.0.0.1', resolve);
    });
    return {
        port: (front.address() as AddressInfo).port,
        log,
        async close() {
            for (const socket of sockets) socket.destroy();
            await new Promise<void>((resolve) => front.close(() => resolve()));
        },
    };
}
