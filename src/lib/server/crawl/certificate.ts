/** The certificate a host shows, looked at without trusting it. */
import { connect as connectTls, type PeerCertificate } from 'node:tls';
import { lookup } from 'node:dns/promises';
import { isIP } from 'node:net';
import type { DoorCertificate } from '../../core/door/door-report.ts';
import { problem, writeProblem, type CertificateFault } from '../../core/problems/problem.ts';
import { isPrivateAddress } from './connect.ts';
import { findPin, type Pin } from './pins.ts';

const HANDSHAKE_MILLISECONDS = 8_000;
const MOST_NAMES = 50;

/** What OpenSSL and Node call it. */
const FAULTS: Record<string, CertificateFault> = {
    DEPTH_ZERO_SELF_SIGNED_CERT: 'self-signed',
    SELF_SIGNED_CERT_IN_CHAIN: 'self-signed-chain',
    UNABLE_TO_VERIFY_LEAF_SIGNATURE: 'chain-incomplete',
    UNABLE_TO_GET_ISSUER_CERT_LOCALLY: 'unknown-authority',
    CERT_HAS_EXPIRED: 'expired',
    CERT_NOT_YET_VALID: 'not-yet-valid',
    ERR_TLS_CERT_ALTNAME_INVALID: 'other-name',
};

/**
 * @param allowsPrivate whether loopback and private addresses may be asked
 * @returns null where no handshake came about, so that there is no certificate to speak of
 */
export async function certificateOf(
    hostname: string,
    port: number,
    pins: Pin[],
    allowsPrivate: boolean,
): Promise<DoorCertificate | null> {
    const pin = findPin(pins, hostname, port);
    const bare = hostname.replace(/^\[|\]$/g, '');
    let address = pin?.address ?? bare;
    if (!pin && !allowsPrivate) {
        try {
            const found = await lookup(bare);
            if (isPrivateAddress(found.address)) return null;
            ({ address } = found);
        } catch {
            return null;
        }
    }
    return new Promise((resolve) => {
        const socket = connectTls({
            host: address,
            port: pin?.addressPort ?? port,
            servername: isIP(bare) ? undefined : bare,
            rejectUnauthorized: false,
            timeout: HANDSHAKE_MILLISECONDS,
        });
        const done = (certificate: DoorCertificate | null): void => {
            socket.destroy();
            resolve(certificate);
        };
        socket.once('secureConnect', () => {
            const peer = socket.getPeerCertificate();
            // Node gives the code of what is wrong, whatever its type says.
            const code = String(socket.authorizationError ?? '');
            done(describe(peer, socket.authorized ? '' : code, pin !== undefined));
        });
        socket.once('error', () => done(null));
        socket.once('timeout', () => done(null));
    });
}

function describe(peer: PeerCertificate, code: string, isPinned: boolean): DoorCertificate {
    const known = Object.keys(FAULTS).find((name) => code.includes(name));
    const fault = (known && FAULTS[known]) || 'other';
    const validTo = Date.parse(peer.valid_to ?? '');
    return {
        isTrusted: code === '',
        trouble: code === '' ? '' : writeProblem(problem('certificate', { fault, said: code.slice(0, 100) })),
        issuer: [peer.issuer?.O, peer.issuer?.CN].flat().filter(Boolean).join(', ').slice(0, 200),
        names: (peer.subjectaltname ?? '')
            .split(', ')
            .map((name) => name.replace(/^DNS:|^IP Address:/, ''))
            .filter((name) => name !== '')
            .slice(0, MOST_NAMES),
        validTo: Number.isNaN(validTo) ? null : validTo,
        isPinned,
    };
}
