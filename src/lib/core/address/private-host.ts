/**
 * Hosts that only those on the same machine or network reach: loopback, private and link-local addresses (RFC 6890, RFC
 * 1918, RFC 4193, RFC 4291 2.5.6) and the names of the own machine (RFC 6761 6.3).
 */
export function isPrivateHost(host: string): boolean {
    const name = host.toLowerCase().replace(/:\d+$/, '');
    if (name === 'localhost' || name.endsWith('.localhost')) return true;
    if (name.startsWith('[')) return isPrivateSix(name.slice(1, name.indexOf(']')));
    const [a, b, ...rest] = name.split('.').map(Number);
    if (a === undefined || b === undefined || rest.length !== 2 || [a, b, ...rest].some(Number.isNaN)) return false;
    return (
        a === 0 ||
        a === 10 ||
        a === 127 ||
        (a === 169 && b === 254) ||
        (a === 172 && b >= 16 && b < 32) ||
        (a === 192 && b === 168)
    );
}

/** As URLs write them: shortened, in small letters. */
const isPrivateSix = (address: string): boolean =>
    address === '::1' || /^f[cd][0-9a-f]{2}:/.test(address) || /^fe[89ab][0-9a-f]:/.test(address);
