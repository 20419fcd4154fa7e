/**
 * Which URLs belong to a site. Belonging is by origin: the start host and its bare/www twin, over http and https, on
 * default or pinned ports. An IP address, `localhost`, or a port that is neither stands alone: exactly that origin.
 */
import { hostOf, originOf } from './address.ts';

/** A host and port of the site, as a pin names it. */
export interface PinnedHost {
    /** Host name in lower case. */
    host: string;
    /** Port; undefined stands for both default ports. */
    port?: number;
}

export interface Belonging {
    /** True for a URL (already in our spelling) that belongs to the site. */
    belongs(url: string): boolean;
    /** The origins that belong, for showing; exact when `alone`. */
    origins: string[];
    /** Only the start URL's own origin belongs. */
    alone: boolean;
}

const IPV4 = /^\d{1,3}(\.\d{1,3}){3}$/;

/** True for a host that cannot have a www twin: an address or the local machine. */
export function standsAlone(hostname: string): boolean {
    return hostname === 'localhost' || hostname.startsWith('[') || IPV4.test(hostname);
}

/** `www.a.example` for `a.example` and the other way round. */
export function twinOf(hostname: string): string {
    return hostname.startsWith('www.') ? hostname.slice(4) : `www.${hostname}`;
}

/**
 * @param start the site's start URL, in our spelling
 * @param pins hosts mapped to fixed addresses; a pinned port counts as a port of its host
 */
export function belongingOf(start: string, pins: PinnedHost[] = []): Belonging {
    const [hostname = '', port] = splitPort(hostOf(start));
    const hosts = [hostname, twinOf(hostname)];
    const ports = pins.filter((pin) => pin.port !== undefined && hosts.includes(pin.host)).map((pin) => pin.port);
    const alone = standsAlone(hostname) || (port !== undefined && !ports.includes(port));
    if (alone) {
        const origin = originOf(start);
        return { belongs: (url) => originOf(url) === origin, origins: [origin], alone };
    }
    const origins = new Set<string>();
    for (const host of hosts) {
        for (const scheme of ['https', 'http']) {
            origins.add(`${scheme}://${host}`);
            for (const pinned of ports) origins.add(`${scheme}://${host}:${pinned}`);
        }
    }
    return { belongs: (url) => origins.has(originOf(url)), origins: [...origins], alone };
}

function splitPort(host: string): [string, number | undefined] {
    const match = /^(.*?)(?::(\d+))?$/.exec(host);
    return [match?.[1] ?? host, match?.[2] === undefined ? undefined : Number(match[2])];
}
