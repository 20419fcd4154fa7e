/** A folder of files as a site, in a process of its own; it tells when it was first asked and when it last answered. */
import { createServer } from 'node:http';
import { readFileSync, statSync } from 'node:fs';
import { extname, join, normalize } from 'node:path';

const TYPES: Record<string, string> = {
    '.html': 'text/html; charset=utf-8',
    '.htm': 'text/html; charset=utf-8',
    '.css': 'text/css',
    '.js': 'text/javascript',
    '.txt': 'text/plain; charset=utf-8',
    '.png': 'image/png',
    '.svg': 'image/svg+xml',
    '.gif': 'image/gif',
};

const [folder = '.'] = process.argv.slice(2);
/** Milliseconds since 1970. */
const told = { first: 0, last: 0, answers: 0 };

function fileOf(url: string): string | null {
    try {
        const path = join(folder, normalize(decodeURIComponent(new URL(url, 'http://site.example').pathname)));
        const file = statSync(path).isDirectory() ? join(path, 'index.html') : path;
        return statSync(file).isFile() ? file : null;
    } catch {
        return null;
    }
}

const server = createServer((request, response) => {
    told.first ||= Date.now();
    told.answers++;
    response.on('finish', () => (told.last = Date.now()));
    const file = fileOf(request.url ?? '/');
    if (file === null) {
        response.writeHead(404, { 'content-type': 'text/plain' });
        response.end('There is no such file.');
        return;
    }
    const body = readFileSync(file);
    response.writeHead(200, {
        'content-type': TYPES[extname(file).toLowerCase()] ?? 'application/octet-stream',
        'content-length': body.length,
    });
    response.end(request.method === 'HEAD' ? undefined : body);
});
server.keepAliveTimeout = 60_000;
server.listen(0, '127.0.0.1', () => {
    const address = server.address();
    process.send?.({ port: typeof address === 'object' && address ? address.port : 0 });
});
process.on('message', (message) => {
    if (message === 'tell') process.send?.({ ...told });
    if (message === 'begin') Object.assign(told, { first: 0, last: 0, answers: 0 });
});
process.on('disconnect', () => process.exit(0));
