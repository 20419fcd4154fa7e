/** Ports on the loopback address. */
import { createServer } from 'node:net';

export function isFree(port: number): Promise<boolean> {
    return new Promise((resolve) => {
        const probe = createServer();
        probe.once('error', () => resolve(false));
        probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
    });
}

/** The first free port from a wish on; taken ones are stepped over. */
export async function freePort(wish: number): Promise<number> {
    for (let port = wish; port < Math.min(wish + 200, 65_536); port++) if (await isFree(port)) return port;
    throw new Error(`No free port from ${wish} to ${wish + 200}.`);
}
