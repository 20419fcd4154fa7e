/** One request to the application, as it is sent: no redirect is followed, every header is the caller's own. */
import { request, type IncomingHttpHeaders } from 'node:http';

export interface AskOptions {
    method?: string;
    headers?: Record<string, string>;
    body?: string | Buffer;
}

export interface HttpAnswer {
    status: number;
    headers: IncomingHttpHeaders;
    /** Where a redirect leads; empty for none. */
    location: string;
    body: string;
}

/** @param address of the application, without a path */
export function ask(address: string, path: string, options: AskOptions = {}): Promise<HttpAnswer> {
    const { hostname: host, port } = new URL(address);
    return new Promise((resolve, reject) => {
        const sent = request(
            { host, port, path, method: options.method ?? 'GET', headers: options.headers },
            (answer) => {
                const pieces: Buffer[] = [];
                answer.on('data', (piece: Buffer) => pieces.push(piece));
                answer.on('error', reject);
                answer.on('end', () =>
                    resolve({
                        status: answer.statusCode ?? 0,
                        headers: answer.headers,
                        location: answer.headers.location ?? '',
                        body: Buffer.concat(pieces).toString(),
                    }),
                );
            },
        );
        sent.on('error', reject);
        sent.end(options.body);
    });
}
