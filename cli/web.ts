/**
 * The web process: our own small server around the application. It looks at the Host header before anything else,
 * sets the headers every answer has, and closes event streams when told to end.
 */
import { createServer } from 'node:http';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { z } from 'zod';
import { cleanConsole } from '../src/lib/server/process/clean-output.ts';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { isForeign, isOwnHost, landingPage, ownAddress, SAFE_HEADERS } from '../src/lib/server/access/guard.ts';

cleanConsole();
const environment = z.object({ EDGEMAP_PORT: z.coerce.number().int(), EDGEMAP_DATA: z.string() }).parse(process.env);
const port = environment.EDGEMAP_PORT;
// The origin of a request is that of the name it was asked under: each of our own names works, forms too.
delete process.env.ORIGIN;
process.env.PROTOCOL_HEADER = 'x-edgemap-protocol';
// Uploads are as large as logs are; everything else is bounded below.
process.env.BODY_SIZE_LIMIT = 'Infinity';
const MOST_BODY = 1_000_000;
/** Characters of an address, and bytes of all headers with it: what is longer than the first and fits the second gets a sentence. */
const MOST_ADDRESS = 16_000;
const MOST_HEADER_BYTES = 128 * 1024;
const UPLOAD = /^\/api\/v1\/sites\/\d+\/surveys\/\d+\/evidence(?:\?|$)/;

interface Handler {
    handler: (request: object, response: object, next: () => void) => void;
}
const { handler } = (await import(pathToFileURL(join(projectRoot(), 'build/web/handler.js')).href)) as Handler;

const server = createServer({ maxHeaderSize: MOST_HEADER_BYTES }, (request, response) => {
    for (const [name, value] of Object.entries(SAFE_HEADERS)) response.setHeader(name, value);
    if (!isOwnHost(request.headers.host, port)) {
        response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
        response.end(
            `This is Edge Map on your own machine. It answers to ${ownAddress(port)} and ${ownAddress(port, 'localhost')} only.\n`,
        );
        return;
    }
    const url = request.url ?? '/';
    const isApi = url.startsWith('/api/');
    const refuse = (status: number, message: string): void => {
        response.writeHead(status, {
            'content-type': isApi ? 'application/json' : 'text/plain; charset=utf-8',
            connection: 'close',
        });
        response.end(isApi ? JSON.stringify({ message }) : `${message}\n`);
    };
    const { 'sec-fetch-site': site, 'sec-fetch-mode': mode } = request.headers;
    if (isForeign(typeof site === 'string' ? site : undefined)) {
        if (isApi || mode !== 'navigate' || request.method !== 'GET') {
            refuse(403, 'This was asked for by a page of another site and was not done.');
            return;
        }
        response.writeHead(403, { 'content-type': 'text/html; charset=utf-8' });
        response.end(landingPage(url));
        return;
    }
    if (url.length > MOST_ADDRESS) {
        refuse(
            414,
            'This address is longer than 16,000 characters. Save the set under a name, or ask with POST and the set in the body.',
        );
        return;
    }
    request.headers['x-edgemap-protocol'] = 'http';
    // What goes wrong is told to programs as JSON, whatever they say they like.
    if (isApi) request.headers.accept = 'application/json';
    const length = Number(request.headers['content-length'] ?? 0);
    const isUpload = request.method === 'POST' && UPLOAD.test(request.url ?? '');
    if (!isUpload && (length > MOST_BODY || request.headers['transfer-encoding'] !== undefined)) {
        refuse(413, 'That is more than a form of ours holds.');
        return;
    }
    handler(request, response, () => {
        response.writeHead(404);
        response.end();
    });
});

server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    if (!socket.writable) return;
    const isTooLong = error.code === 'HPE_HEADER_OVERFLOW';
    const message = isTooLong
        ? 'This address is longer than can be read. Save the set under a name, or ask with POST and the set in the body.'
        : 'This is no request over HTTP that can be read.';
    const body = JSON.stringify({ message });
    socket.end(
        `HTTP/1.1 ${isTooLong ? '431 Request Header Fields Too Large' : '400 Bad Request'}\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
    );
});
server.on('error', (error) => {
    console.error(error.message);
    process.exit(1);
});
server.listen(port, '127.0.0.1', () => process.send?.({ ready: true }));

for (const name of ['SIGTERM', 'SIGINT'] as const) {
    process.on(name, () => {
        server.close(() => process.exit(0));
        // Event streams are open for as long as somebody looks; they would hold the end up.
        server.closeAllConnections();
        setTimeout(() => process.exit(0), 1_000).unref();
    });
}
