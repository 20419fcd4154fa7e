/** A thread that answers requests: the application behind a socket that only the web process may reach. */
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import { logInto } from '../src/lib/server/process/log.ts';
import { dataFolderPath, openDataFolder, projectRoot } from '../src/lib/server/process/data-folder.ts';
import { stayBehind } from '../src/lib/server/process/own-thread.ts';
import { readAhead } from '../src/lib/server/web/read-ahead.ts';
import type { WebThreadData } from '../src/lib/server/web/web-threads.ts';

logInto(openDataFolder(dataFolderPath()), 'web');
const { socket, duty } = workerData as WebThreadData;
// Whoever waits for a page goes before files.
if (duty === 'carrying') stayBehind();
// The origin of a request is that of the name it was asked under: each of our own names works, forms too.
delete process.env.ORIGIN;
process.env.PROTOCOL_HEADER = 'x-edgemap-protocol';
// Bounded before it comes here.
process.env.BODY_SIZE_LIMIT = 'Infinity';

interface Handler {
    handler: (request: object, response: object, next: () => void) => void;
}
const { handler } = (await import(pathToFileURL(join(projectRoot(), 'build/web/handler.js')).href)) as Handler;
const server = createServer({ maxHeaderSize: 128 * 1024 }, (request, response) => {
    handler(request, response, () => {
        response.writeHead(404);
        response.end();
    });
});
// Our own process keeps its connections open for the next request.
server.keepAliveTimeout = 0;
server.requestTimeout = 0;
server.listen(socket, () => {
    parentPort?.postMessage('ready');
    const chunks = join(projectRoot(), 'build/web/server/chunks');
    if (duty === 'views') void readAhead([join(chunks, 'nodes'), join(chunks, 'entries/pages')]);
});
