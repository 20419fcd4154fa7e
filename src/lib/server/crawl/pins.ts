/** Pins: a host name mapped to a fixed address for one site. Written `HOST[:PORT]=IP:PORT`. */
import ipaddr from 'ipaddr.js';
import type { PinnedHost } from '../../core/scope/belonging.ts';

export interface Pin extends PinnedHost {
    /** Address to connect to. */
    address: string;
    addressPort: number;
}

export type PinResult = { ok: true; pin: Pin } | { ok: false; say: string };

const HOST = /^(?=.{1,253}$)[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?(?:\.[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?)*$/;

function portOf(text: string): number | null {
    const port = Number(text);
    return /^\d{1,5}$/.test(text) && port >= 1 && port <= 65_535 ? port : null;
}

export function readPin(text: string): PinResult {
    const form = 'Write a pin as HOST=IP:PORT, for example www.site.example=127.0.0.1:8080.';
    const [left = '', right = '', ...rest] = text.trim().split('=');
    if (rest.length > 0 || left === '' || right === '') return { ok: false, say: `"${text}" is no pin. ${form}` };
    const [host = '', hostPort] = left.toLowerCase().split(':');
    if (!HOST.test(host)) return { ok: false, say: `"${host}" in the pin "${text}" is no host name. ${form}` };
    const port = hostPort === undefined ? undefined : portOf(hostPort);
    if (port === null) return { ok: false, say: `"${hostPort}" in the pin "${text}" is no port (1 to 65535).` };
    const match = /^(?:\[([^\]]+)\]|([^:]+)):(\d+)$/.exec(right);
    const address = match?.[1] ?? match?.[2] ?? '';
    const addressPort = portOf(match?.[3] ?? '');
    if (!ipaddr.isValid(address) || (match?.[2] !== undefined && !ipaddr.IPv4.isValidFourPartDecimal(address))) {
        return { ok: false, say: `"${right}" in the pin "${text}" is no IP address with a port. ${form}` };
    }
    if (addressPort === null)
        return { ok: false, say: `"${match?.[3]}" in the pin "${text}" is no port (1 to 65535).` };
    return { ok: true, pin: { host, port, address, addressPort } };
}

/** The pin for a host and port; one that names the port wins over one that names the host alone. */
export function findPin(pins: Pin[], host: string, port: number): Pin | undefined {
    const same = pins.filter((pin) => pin.host === host.toLowerCase());
    return same.find((pin) => pin.port === port) ?? same.find((pin) => pin.port === undefined);
}

/** The pins of settings; what is no pin was refused when the settings were read. */
export function pinsOf(texts: string[]): Pin[] {
    return texts.flatMap((text) => {
        const read = readPin(text);
        return read.ok ? [read.pin] : [];
    });
}
