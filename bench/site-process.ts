/** The made site in a process of its own, so that serving it costs the measured process nothing. */
import { createServer } from 'node:http';
import { bigSite } from '../demo/big-site.ts';

const [pages = '1000', bytes = '28000', menu = '60', related = '22'] = process.argv.slice(2);
const { site } = bigSite({ pages: Number(pages), bytes: Number(bytes), menu: Number(menu), related: Number(related) });

const server = createServer((request, response) => {
    const answer = site({ scheme: 'http', host: '127.0.0.1', path: request.url ?? '/' });
    response.writeHead(answer.status, answer.headers);
    response.end(answer.body);
});
server.keepAliveTimeout = 60_000;
server.listen(0, '127.0.0.1', () => {
    const address = server.address();
    process.send?.({ port: typeof address === 'object' && address ? address.port : 0 });
});
process.on('disconnect', () => process.exit(0));
