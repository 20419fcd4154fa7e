/**
 * Connections of a survey: pins are followed (Host header and SNI stay those of the site, a self-signed certificate is
 * taken from pinned hosts only), and private addresses are refused unless the user allowed them, at every connect and
 * so on every hop.
 */
import { lookup as resolveName, type LookupAddress } from 'node:dns';
import type { LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';
import { Agent, buildConnector } from 'undici';
import { findPin, type Pin } from './pins.ts';

/** Thrown into a connect that would reach a private address. */
class PrivateAddressError extends Error {
    readonly host: string;
    readonly address: string;

    constructor(host: string, address: string) {
        super(`${host} is the private address ${address}`);
        this.host = host;
        this.address = address;
    }
}

/** Host and address of a connect that was refused as private; null for a failure of another kind. */
export function privateAddressOf(error: unknown): { host: string; address: string } | null {
    const at = error instanceof Error && !(error instanceof PrivateAddressError) ? error.cause : error;
    return at instanceof PrivateAddressError ? { host: at.host, address: at.address } : null;
}

/** True for addresses that are not of the public internet: loopback, private, link-local, mapped ones too. */
export function isPrivateAddress(address: string): boolean {
    const plain = address.replace(/^\[|\]$/g, '').split('%', 1)[0] ?? '';
    if (!ipaddr.isValid(plain)) return false;
    return ipaddr.process(plain).range() !== 'unicast';
}

export interface ConnectRules {
    pins: Pin[];
    /** Private addresses are allowed for every host. */
    allowPrivate: boolean;
    /** `host:port` that may be private because the user named it as the start page. */
    privateOrigin: string | null;
    concurrency: number;
}

/** Host and port in the form `connect` sees them. */
export function connectKey(url: string): string {
    const parsed = new URL(url);
    return `${parsed.hostname}:${parsed.port || (parsed.protocol === 'https:' ? '443' : '80')}`;
}

export function surveyAgent(rules: ConnectRules): Agent {
    const timeout = 10_000;
    const guarded: LookupFunction = (hostname, options, callback) => {
        resolveName(hostname, { ...options, all: true }, (error, addresses: LookupAddress[]) => {
            if (error) return callback(error, '');
            const bad = addresses.find((item) => isPrivateAddress(item.address));
            if (bad) return callback(new PrivateAddressError(hostname, bad.address), '');
            if (options.all) return callback(null, addresses);
            const first = addresses[0];
            callback(null, first?.address ?? '', first?.family);
        });
    };
    const strict = buildConnector({ timeout, lookup: guarded });
    const open = buildConnector({ timeout });
    const pinned = buildConnector({ timeout, rejectUnauthorized: false });

    return new Agent({
        connections: rules.concurrency,
        pipelining: 1,
        headersTimeout: 20_000,
        bodyTimeout: 20_000,
        keepAliveTimeout: 4_000,
        connect(options, callback) {
            const port = Number(options.port || (options.protocol === 'https:' ? 443 : 80));
            const pin = findPin(rules.pins, options.hostname, port);
            if (pin) {
                pinned(
                    {
                        ...options,
                        hostname: pin.address,
                        host: pin.address,
                        port: String(pin.addressPort),
                        servername: options.servername ?? options.hostname,
                    },
                    callback,
                );
                return;
            }
            if (rules.allowPrivate || rules.privateOrigin === `${options.hostname}:${port}`) {
                open(options, callback);
                return;
            }
            if (isPrivateAddress(options.hostname)) {
                callback(new PrivateAddressError(options.hostname, options.hostname), null);
                return;
            }
            strict(options, callback);
        },
    });
}
