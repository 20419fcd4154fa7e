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
import { isOwnHost, SAFE_HEADERS } from '../src/lib/server/access/guard.ts';

cleanConsole();
const environment = z.object({ EDGEMAP_PORT: z.coerce.number().int(), EDGEMAP_DATA: z.string() }).parse(process.env);
const port = environment.EDGEMAP_PORT;
process.env.ORIGIN = `http://127.0.0.1:${port}`;
// Uploads are as large as logs are; everything else is bounded below.
process.env.BODY_SIZE_LIMIT = 'Infinity';
const MOST_BODY = 1_000_000;
const UPLOAD = /^\/api\/v1\/sites\/\d+\/surveys\/\d+\/evidence(?:\?|$)/;

interface Handler {
    handler: (request: object, response: object, next: () => void) => void;
}
const { handler } = (await import(pathToFileURL(join(projectRoot(), 'build/web/handler.js')).href)) as Handler;

const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(SAFE_HEADERS)) response.setHeader(name, value);
    if (!isOwnHost(request.headers.host, port)) {
        response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
        response.end(
            `This is Edge Map on your own machine. It answers to http://127.0.0.1:${port}/ and http://localhost:${port}/ only.\n`,
        );
        return;
    }
    const length = Number(request.headers['content-length'] ?? 0);
    const isUpload = request.method === 'POST' && UPLOAD.test(request.url ?? '');
    if (!isUpload && (length > MOST_BODY || request.headers['transfer-encoding'] !== undefined)) {
        response.writeHead(413, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' });
        response.end('That is more than a form of ours holds.\n');
        return;
    }
    handler(request, response, () => {
        response.writeHead(404);
        response.end();
    });
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
