/** The web process: stands before the application, and hands each request to one of the threads that answer. */
import { createServer } from 'node:http';
import { join } from 'node:path';
import { z } from 'zod';
import { log, logInto } from '../src/lib/server/process/log.ts';
import { openDataFolder, projectRoot } from '../src/lib/server/process/data-folder.ts';
import { PORT_TAKEN, whenSupervisorIsGone } from '../src/lib/server/process/supervised.ts';
import { frontHandler, refusalOf } from '../src/lib/server/web/front.ts';
import { WebThreads } from '../src/lib/server/web/web-threads.ts';

const environment = z.object({ EDGEMAP_PORT: z.coerce.number().int(), EDGEMAP_DATA: z.string() }).parse(process.env);
const port = environment.EDGEMAP_PORT;
/** Bytes of all headers, the address included. */
const MOST_HEADER_BYTES = 128 * 1024;

const folder = openDataFolder(environment.EDGEMAP_DATA);
logInto(folder, 'web');
const threads = new WebThreads(
    // Where the socket of the database may lie, those of the threads may too.
    join(folder.socket, '..'),
    join(projectRoot(), 'build/node/web-thread.js'),
    port,
    (say) => log.error(`a thread ended: ${say}`),
);
const server = createServer(
    { maxHeaderSize: MOST_HEADER_BYTES },
    frontHandler({ port, threadFor: (method, path) => threads.for(method, path) }),
);
server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    if (socket.writable) socket.end(refusalOf(error.code));
});
server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE') process.exit(PORT_TAKEN);
    log.error('the web process cannot listen', { error });
    process.exit(1);
});
await threads.start();
server.listen(port, '127.0.0.1', () => process.send?.({ ready: true }));

function end(): void {
    server.close(() => process.exit(0));
    // Event streams are open for as long as somebody looks; they would hold the end up.
    server.closeAllConnections();
    setTimeout(() => process.exit(0), 1_000).unref();
}
for (const name of ['SIGTERM', 'SIGINT'] as const) process.on(name, end);
whenSupervisorIsGone(end);
